'use client'
import { Refusal } from '../Refusal'
import { useSend } from '../send'

/** A pick list for every order that can go now, in one step. */
export const PickAll = () => {
  const { send, busy, refused } = useSend()
  const go = () =>
    send(
      'POST',
      '/picks',
      {},
      { say: ({ picks }) => `${picks.length} pick ${picks.length === 1 ? 'list' : 'lists'} made.` },
    )
  return (
    <>
      <button className="btn btn-do" data-primary disabled={busy} onClick={() => void go()}>
        Pick all that can go
      </button>
      <Refusal refused={refused} />
    </>
  )
}
