'use client'
import { formatDigits } from '@/core/locale'
import type { Day } from '@/core/day'
import type { Method } from '@/core/ledger'
import { CommandForm } from '../form/CommandForm'
import { voidedBy } from '../undone'
import { FormMethod, FormMoney, FormOn } from '../form/inputs'

const schema = () => import('@/contract/inputs/money/refundHeld').then((m) => m.refundHeldInput)

interface Props {
  readonly customerId: number
  readonly name: string
  readonly currency: string
  readonly today: Day
  /** Where it is held: on a sale, or on their account. */
  readonly from: { readonly saleId: number | null; readonly amount: string }
  readonly onDone: () => void
}

/** Held money goes back to whom it belongs: from a customer’s page as from the sheet of a sale. */
export const GiveBack = ({ customerId, name, currency, today, from, onDone }: Props) => {
  const start: { on: string; amount: string; method: Method } = {
    on: String(today),
    amount: from.amount,
    method: 'transfer',
  }
  return (
    <CommandForm
      method="POST"
      path="/refunds"
      schema={schema}
      start={start}
      asBody={(d) => ({ ...d, customerId, saleId: from.saleId ?? undefined })}
      say={(r) => `Refund ${r.number}: ${formatDigits(r.amount)} to ${name}.`}
      undo={(r, d) => voidedBy(`/refunds/${r.id}/void`, d.on, 'The refund is voided; its money is held again.')}
      onDone={onDone}
      preview={{ currency }}
      submit="Refund"
    >
      <p className="mb-3">{formatDigits(from.amount)} is held. A refund does not change your income.</p>
      <div className="grid gap-3">
        <FormMoney name="amount" label="Amount" currency={currency} />
        <FormMethod label="Refund by" />
        <FormOn today={today} />
      </div>
    </CommandForm>
  )
}
