'use client'
import { addMonths, formatDay, type Day } from '@/core/day'
import { REPEAT_EVERY_NAMES } from '@/core/names'
import { CommandForm } from '../form/CommandForm'
import { FormDay, FormPick, FormQuantity } from '../form/inputs'

interface Draft {
  every: keyof typeof REPEAT_EVERY_NAMES
  firstOn: string
  times: string
  until: string
}

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
  const start: Draft = { every: 'month', firstOn: String(next < today ? today : next), times: '', until: '' }
  return (
    <CommandForm
      method="POST"
      path={`/bills/${billId}/repeats`}
      schema={schema}
      start={start}
      asBody={({ times, until, ...d }) => ({ ...d, times: times === '' ? null : Number(times), until: until || null })}
      say={(r) => `Repeats, first on ${formatDay(r.nextOn ?? r.firstOn)}.`}
      onDone={onDone}
      submit="Start repeating"
    >
      <p className="mb-3">The same bill is entered on each of its dates, to be paid as usual.</p>
      <div className="grid grid-cols-2 gap-3">
        <FormPick name="every" label="How often" options={REPEAT_EVERY_NAMES} />
        <FormDay name="firstOn" label="First date" today={today} />
        <FormQuantity name="times" label="Number of times (optional)" />
        <FormDay name="until" label="Or end date" today={today} />
      </div>
    </CommandForm>
  )
}
