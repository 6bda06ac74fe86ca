'use client'
import type { Day } from '@/core/day'
import { CommandForm } from '../form/CommandForm'
import { FormDay, FormReason } from '../form/inputs'

const schema = () => import('@/contract/inputs/books/closePeriod').then((m) => m.closePeriodInput)

/** Closes the books through a day. */
export const ClosePeriod = ({ today, onDone }: { readonly today: Day; readonly onDone: () => void }) => (
  <CommandForm
    method="POST"
    path="/books/close"
    schema={schema}
    start={{ through: '', reason: '' }}
    asBody={(d) => d}
    say={() => 'Closed. Nothing can be dated in it any more.'}
    onDone={onDone}
    submit="Close period"
  >
    <p className="mb-3">
      After closing, nothing can be dated on or before this day. Correct mistakes with an entry dated later. Do this
      after you have filed your tax return for the period.
    </p>
    <div className="grid gap-3">
      <FormDay name="through" label="Closed through" today={today} />
      <FormReason label="Reason (optional)" />
    </div>
  </CommandForm>
)
