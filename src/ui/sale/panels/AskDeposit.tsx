'use client'
import { useState } from 'react'
import { decimal, formatMoney, parseMoney } from '@/core/money'
import { partOf } from '@/core/plan'
import { MoneyField, QuantityField } from '../../fields'
import { Refusal } from '../../Refusal'
import { useSend } from '../../send'
import { Submit, type PanelProps } from './parts'

const textOf = (v: unknown): string => (typeof v === 'string' ? v : '')

/** What was arranged to be asked first; nothing where no deposit was. */
const arrangedFirst = (arrangement: PanelProps['sale']['arrangement']): Readonly<Record<string, unknown>> => {
  if (arrangement.kind !== 'deposit') return {}
  return Array.isArray(arrangement.stages) ? arrangement.stages[0] : arrangement
}

/** What a percentage of the whole comes to; nothing while it is no number. */
const sayPart = (gross: string, percent: string, currency: string): string => {
  const total = parseMoney(gross, currency)
  return total.ok && /^\d+(\.\d+)?$/.test(percent)
    ? formatMoney(partOf(total.value, { percent: decimal(percent) }))
    : ''
}

/** Asks for money ahead: as it was arranged, where it was. */
export const AskDeposit = ({ sale, onClose }: PanelProps) => {
  const { send, busy, refused } = useSend()
  const arranged = arrangedFirst(sale.arrangement)
  const [percent, setPercent] = useState(textOf(arranged.percent) || (arranged.amount ? '' : '50'))
  const [amount, setAmount] = useState(textOf(arranged.amount))
  const asked = amount !== '' ? amount : sayPart(sale.gross, percent, sale.currency)
  const stages = sale.promise.stages.length > 1 ? sale.promise.stages : []
  const askStage = async (stage: number) => {
    const done = await send(
      'POST',
      `/sales/${sale.id}/deposit-requests`,
      { stage },
      { say: (d) => `Deposit request ${d.number}: ${d.amount} asked of ${sale.customer}.` },
    )
    if (done) onClose()
  }
  const go = async () => {
    const done = await send('POST', `/sales/${sale.id}/deposit-requests`, amount === '' ? { percent } : { amount }, {
      say: (d) => `Deposit request ${d.number}: ${d.amount} asked of ${sale.customer}.`,
    })
    if (done) onClose()
  }
  return (
    <>
      <p className="mb-3">
        A paper that asks, not an invoice. When the money comes it is held for {sale.customer} (a liability) until it is
        earned.
      </p>
      {stages.length > 0 && (
        <ul className="mb-4 grid gap-1.5">
          {stages.map((s, i) => (
            <li key={i} className="flex items-center justify-between gap-3">
              <span>
                Stage {i + 1}: <span className="fig">{s.amount}</span>
                {s.when && <span className="sub"> {s.when}</span>}
              </span>
              <button className="btn" disabled={busy} onClick={() => void askStage(i + 1)}>
                Ask for stage {i + 1}
              </button>
            </li>
          ))}
        </ul>
      )}
      <div className="grid grid-cols-2 gap-3">
        <QuantityField
          label="Percent of the total with tax"
          value={percent}
          onValue={(v) => {
            setPercent(v)
            setAmount('')
          }}
        />
        <MoneyField label="or an amount" currency={sale.currency} value={amount} onValue={setAmount} />
      </div>
      <p className="mt-2">{asked && `${asked} of ${sale.gross}, tax included.`}</p>
      <Refusal refused={refused} />
      <Submit busy={busy} onDo={() => void go()}>
        Ask for it
      </Submit>
    </>
  )
}
