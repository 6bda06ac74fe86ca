'use client'
import { formatDay, type Day } from '@/core/day'
import { Refusal } from '../Refusal'
import { useSend } from '../send'

interface Props {
  readonly account: {
    readonly id: number
    readonly name: string
    readonly feed: boolean
    readonly fedThrough: Day | null
  }
}

/** Whether the statements of an account come by themselves each morning, and through which day they came. */
export const Feed = ({ account: { id, name, feed, fedThrough } }: Props) => {
  const { send, busy, refused } = useSend()
  const path = `/bank/accounts/${id}`
  const turn = (on: boolean) =>
    send(
      'PATCH',
      path,
      { feed: on },
      { say: () => (on ? 'They come each morning from now on.' : 'They do not come automatically any more.') },
    )
  const fetchNow = () =>
    send(
      'POST',
      `/bank/accounts/${id}/fetch`,
      {},
      {
        say: ({ statementIds }) =>
          statementIds.length === 0
            ? 'Nothing new.'
            : `${statementIds.length} ${statementIds.length === 1 ? 'statement' : 'statements'} came.`,
      },
    )
  return (
    <div className="text-sm">
      {feed ? (
        <>
          Statements of {name} come automatically{fedThrough && `; those through ${formatDay(fedThrough)} are here`}.{' '}
          <button className="underline" disabled={busy} onClick={() => void fetchNow()}>
            Ask now
          </button>{' '}
          <button className="ml-2 underline" disabled={busy} onClick={() => void turn(false)}>
            Stop
          </button>
        </>
      ) : (
        <button
          className="underline"
          aria-label={`Let statements of ${name} come automatically`}
          disabled={busy}
          onClick={() => void turn(true)}
        >
          Let statements of {name} come automatically (practice bank)
        </button>
      )}
      <Refusal refused={refused} />
    </div>
  )
}
