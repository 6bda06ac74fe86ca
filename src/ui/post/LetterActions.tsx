'use client'
import type { PostState } from '@/model/post/post'
import { Refusal } from '../Refusal'
import { useSend } from '../send'
import { sayTried } from './letterDraft'

/** What can be done with a letter that has not gone, or came back. */
export const LetterActions = ({ id, state }: { readonly id: number; readonly state: PostState }) => {
  const { send, busy, refused } = useSend()
  return (
    <>
      <Refusal refused={refused} />
      {(state === 'waiting' || state === 'bounced') && (
        <button
          className="btn"
          disabled={busy}
          onClick={() => void send('DELETE', `/post/${id}`, {}, { say: () => 'Email discarded.' })}
        >
          {state === 'bounced' ? 'Dismiss' : 'Discard'}
        </button>
      )}
      {state === 'waiting' && (
        <button
          className="btn btn-do"
          data-primary
          disabled={busy}
          onClick={() =>
            void send(
              'POST',
              `/post/${id}/send`,
              {},
              {
                say: sayTried,
              },
            )
          }
        >
          Try again
        </button>
      )}
    </>
  )
}
