'use client'
import { formatDay, type Day } from '@/core/day'
import { Refusal } from '../Refusal'
import { useSend } from '../send'

interface Props {
  readonly id: number
  readonly says: string
  readonly nextOn: Day | null
  readonly done: number
}

/** One repeat of a sale: what it makes, when next, and how to stop it. */
export const RepeatLine = ({ id, says, nextOn, done }: Props) => {
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
            onClick={() =>
              void send('POST', `/repeats/${id}/stop`, {}, { say: () => 'Stopped. Sales already created stay.' })
            }
          >
            Stop
          </button>
        )}
      </div>
      <Refusal refused={refused} />
    </div>
  )
}
