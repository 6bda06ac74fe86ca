'use client'
import { formatDay, type Day } from '@/core/day'
import { Refusal } from '../Refusal'
import { useSend } from '../send'

interface Props {
  readonly id: number
  /** The call that stops it, and what is said then. */
  readonly stop?: { readonly path: string; readonly say: string }
  readonly says: string
  readonly nextOn: Day | null
  readonly done: number
}

/** One repeat of a sale or bill: what it makes, when next, and how to stop it. */
export const RepeatLine = ({
  id,
  stop = { path: `/repeats/${id}/stop`, say: 'Stopped. Sales already created stay.' },
  says,
  nextOn,
  done,
}: Props) => {
  const { send, busy, refused } = useSend()
  return (
    <div className="border-b border-paper-200 py-1.5">
      {says}
      <div className="sub flex flex-wrap items-center justify-between gap-2">
        <span>
          {nextOn ? `next on ${formatDay(nextOn)}` : 'ended'}
          {done > 0 && `, ${done} made so far`}
        </span>
        {nextOn && (
          <button
            className="underline"
            disabled={busy}
            onClick={() => void send('POST', stop.path, {}, { say: () => stop.say })}
          >
            Stop
          </button>
        )}
      </div>
      <Refusal refused={refused} />
    </div>
  )
}
