'use client'
import { addMonths, formatDay, type Day } from '@/core/day'
import { CommandForm } from '../form/CommandForm'
import { rhythmBody, RhythmFields, type RhythmDraft } from '../form/RhythmFields'

interface Props {
  readonly billId: number
  readonly on: Day
  readonly today: Day
  readonly onDone: () => void
}

const schema = () =>
  import('@/contract/inputs/buying/repeatBill').then((m) => m.startBillRepeatInput.omit({ billId: true }))

/** A bill that comes again: how often, from when, until when. */
export const RepeatBillForm = ({ billId, on, today, onDone }: Props) => {
  const next = addMonths(on, 1)
  const start: RhythmDraft = { every: 'month', firstOn: String(next < today ? today : next), times: '', until: '' }
  return (
    <CommandForm
      method="POST"
      path={`/bills/${billId}/repeats`}
      schema={schema}
      start={start}
      asBody={rhythmBody}
      say={(r) => `Repeats, first on ${formatDay(r.nextOn ?? r.firstOn)}.`}
      onDone={onDone}
      submit="Start repeating"
    >
      <p className="mb-3">The same bill is entered on each of its dates, to be paid as usual.</p>
      <RhythmFields today={today} />
    </CommandForm>
  )
}
