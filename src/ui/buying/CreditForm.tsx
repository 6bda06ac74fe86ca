'use client'
import { useWatch } from 'react-hook-form'
import type { Day } from '@/core/day'
import { formatDigits } from '@/core/locale'
import { CommandForm } from '../form/CommandForm'
import { FormMoney, FormOn, FormQuantity, FormReason, FormText } from '../form/inputs'
import { isEmptyRow } from '../form/isEmptyRow'

/** Goods of the bill that went back and are not credited yet. */
export interface WaitingLine {
  readonly receivedLineId: number
  readonly description: string
  readonly quantity: string
}

interface Props {
  readonly billId: number
  readonly waiting: readonly WaitingLine[]
  readonly currency: string
  readonly today: Day
  readonly onDone: () => void
}

interface DraftLine {
  receivedLineId: number
  quantity: string
}

const schema = () => import('@/contract/inputs/buying/sentBack').then((m) => m.creditInput)

/** A supplier's credit on a bill: for goods that went back, or an amount they let off. */
export const CreditForm = ({ billId, waiting, currency, today, onDone }: Props) => (
  <CommandForm
    method="POST"
    path={`/bills/${billId}/credits`}
    schema={schema}
    start={{
      on: String(today),
      theirNumber: '',
      amount: '',
      reason: '',
      lines: waiting.map((l): DraftLine => ({ receivedLineId: l.receivedLineId, quantity: l.quantity })),
    }}
    asBody={({ lines, amount, ...d }) => (lines.length > 0 ? { ...d, lines } : { ...d, amount })}
    skip={{ lines: isEmptyRow }}
    say={(c) => `${c.theirNumber || c.number}: ${formatDigits(c.totals.gross)} credited.`}
    preview={{ currency }}
    onDone={onDone}
    submit="Enter credit"
  >
    <p className="mb-3">It lowers what is owed for the bill; what is paid already counts as paid in advance.</p>
    <div className="grid gap-3">
      {waiting.map((l, i) => (
        <FormQuantity
          key={l.receivedLineId}
          name={`lines.${i}.quantity`}
          label={`${l.description}, of ${formatDigits(l.quantity)} sent back`}
        />
      ))}
      <Amount currency={currency} />
      <div className="grid grid-cols-2 gap-3">
        <FormText name="theirNumber" label="Number on their credit" most={60} />
        <FormOn today={today} />
      </div>
      <FormReason most={200} />
    </div>
  </CommandForm>
)

/** An amount, tax included, where no goods are credited. */
const Amount = ({ currency }: { readonly currency: string }) => {
  const lines = useWatch<{ lines: DraftLine[] }, 'lines'>({ name: 'lines' })
  return lines.every(isEmptyRow) ? <FormMoney name="amount" label="Amount, tax included" currency={currency} /> : null
}
