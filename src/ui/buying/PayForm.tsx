'use client'
import { useWatch } from 'react-hook-form'
import { formatDay, type Day } from '@/core/day'
import type { PayFrom } from '@/core/kinds'
import { formatDigits } from '@/core/locale'
import { PAY_FROM_NAMES } from '@/core/names'
import { CommandForm } from '../form/CommandForm'
import { FormCheck, FormMoney, FormOn, FormPick } from '../form/inputs'

interface Props {
  readonly supplierId: number
  /** Just this bill; null pays the oldest first. */
  readonly billId: number | null
  /** What paying all of it today takes. */
  readonly amount: string
  /** What is let off with that, and until when; null where nothing is. */
  readonly saves: { readonly through: Day; readonly amount: string } | null
  readonly currency: string
  readonly today: Day
  readonly onDone: () => void
}

const schema = () => import('@/contract/inputs/buying/bills').then((m) => m.paySupplierInput)
const START: { from: PayFrom; byCheck: boolean } = { from: 'bank', byCheck: false }

/** Money to a supplier; early-payment discounts are taken by themselves, what is left is paid in advance. */
export const PayForm = ({ supplierId, billId, amount, saves, currency, today, onDone }: Props) => (
  <CommandForm
    method="POST"
    path="/supplier-payments"
    schema={schema}
    start={{ ...START, amount, on: String(today) }}
    asBody={({ byCheck, ...d }) => ({
      supplierId,
      ...d,
      ...(byCheck && d.from === 'bank' ? { check: 'next' as const } : {}),
      for: billId === null ? ('oldest' as const) : [{ billId, amount: d.amount }],
    })}
    say={(p) =>
      [
        `${p.number}: ${formatDigits(p.amount)} paid to ${p.supplier}${p.checkNumber === null ? '' : `, check ${p.checkNumber}`}.`,
        Number(p.discount) > 0 ? `${formatDigits(p.discount)} let off.` : '',
        Number(p.ahead) > 0 ? `${formatDigits(p.ahead)} in advance.` : '',
      ]
        .filter(Boolean)
        .join(' ')
    }
    preview={{ currency }}
    go={(p) => (p.checkNumber === null ? null : `/buying/payments/${p.id}`)}
    onDone={onDone}
    submit="Pay"
  >
    {saves && (
      <p className="mb-3">
        {formatDigits(saves.amount)} is let off when this is paid by {formatDay(saves.through)}.
      </p>
    )}
    <div className="grid grid-cols-2 gap-3">
      <FormMoney name="amount" label="Amount" currency={currency} />
      <FormPick name="from" label="From" options={PAY_FROM_NAMES} />
      <FormOn today={today} />
      <ByCheck />
    </div>
  </CommandForm>
)

/** From the bank it may go out as a check, to print. */
const ByCheck = () => {
  const from = useWatch<typeof START, 'from'>({ name: 'from' })
  return from === 'bank' && <FormCheck name="byCheck" label="As a check" />
}
