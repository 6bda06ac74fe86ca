'use client'
import type { Day } from '@/core/day'
import { CommandForm } from '../form/CommandForm'
import { FormDay, FormPassphrase, FormReason } from '../form/inputs'

const schema = () =>
  Promise.all([import('zod'), import('@/contract/inputs/books/closePeriod')]).then(([{ z }, { reopenPeriodInput }]) =>
    reopenPeriodInput.extend({ passphrase: z.string().min(1, 'Your passphrase is needed.') }),
  )

/** Takes a closing back: with the passphrase, and a reason that stays in the log. */
export const ReopenPeriod = ({ today, onDone }: { readonly today: Day; readonly onDone: () => void }) => (
  <CommandForm
    method="POST"
    path="/books/reopen"
    schema={schema}
    start={{ through: '', reason: '', passphrase: '' }}
    asBody={(d) => ({ ...d, through: d.through || null })}
    say={() => 'Reopened. It stands in the list of closings.'}
    onDone={onDone}
    submit="Reopen"
  >
    <p className="mb-3">
      What was reported of that time may change from now on. Closing and reopening both stay in the list of closings,
      with their reasons.
    </p>
    <div className="grid gap-3">
      <FormDay name="through" label="Stays closed through" today={today} hint="empty: everything is open again" />
      <FormReason />
      <FormPassphrase />
    </div>
  </CommandForm>
)
