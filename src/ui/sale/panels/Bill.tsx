'use client'
import { useState } from 'react'
import { DayField, MoneyField, QuantityField, Text } from '../../fields'
import { messageFor, Refusal } from '../../Refusal'
import { useSend } from '../../send'
import { chosenLines, fill, Quantities, Submit, type PanelProps } from './parts'

type What = 'handed-over' | 'remaining' | 'percent' | 'lines'

/** What to bill, and with which charge that came up. */
export const Bill = ({ sale, today, onClose }: PanelProps) => {
  const { send, busy, refused } = useSend()
  const left = sale.lines.filter((l) => Number(l.toBill) > 0)
  const anyReady = left.some((l) => Number(l.readyToBill) > 0)
  const [what, setWhat] = useState<What>(anyReady ? 'handed-over' : 'remaining')
  const [percent, setPercent] = useState('50')
  const [values, setValues] = useState<Readonly<Record<number, string>>>(fill(left, (l) => l.toBill))
  const [on, setOn] = useState<string>(today)
  const [charge, setCharge] = useState({ description: '', unitPrice: '' })
  const wish = what === 'percent' ? { percent } : what === 'lines' ? { lines: chosenLines(values) } : what
  const charges =
    charge.description.trim() && charge.unitPrice
      ? [{ description: charge.description, quantity: '1', unitPrice: charge.unitPrice }]
      : undefined
  const go = async (issue: boolean) => {
    const done = await send(
      'POST',
      `/sales/${sale.id}/invoices`,
      { on, what: wish, issue, charges },
      {
        say: (i) =>
          i.number
            ? `Invoice ${i.number} issued: ${i.totals.gross}${Number(i.heldApplied) > 0 ? `, ${i.heldApplied} of it held already` : ''}. ${sale.customer} owes ${i.open} on it.`
            : 'A draft is made. Nothing is in the books until it is issued.',
        go: (i) => (i.number ? null : `/invoices/${i.id}`),
      },
    )
    if (done) onClose()
  }
  const choice = (value: What, label: string, disabled = false) => (
    <label className={`flex items-center gap-2 py-1 ${disabled ? 'text-iron-500' : ''}`}>
      <input type="radio" name="what" checked={what === value} disabled={disabled} onChange={() => setWhat(value)} />{' '}
      {label}
    </label>
  )
  return (
    <>
      <fieldset>
        <legend className="label">What to bill</legend>
        {choice('handed-over', anyReady ? 'what was handed over' : 'what was handed over (nothing is)', !anyReady)}
        {choice('remaining', 'all that remains')}
        {choice('percent', 'a percentage')}
        {choice('lines', 'chosen quantities')}
      </fieldset>
      {what === 'percent' && <QuantityField label="Percent of what is agreed" value={percent} onValue={setPercent} />}
      {what === 'lines' && (
        <Quantities
          lines={left}
          most={(l) => l.toBill}
          values={values}
          onValues={setValues}
          side={(l) => (Number(l.readyToBill) > 0 ? `${l.readyToBill} handed over` : '')}
        />
      )}
      <div className="mt-2 grid grid-cols-[1fr_130px] gap-3">
        <Text
          label="A charge that came up"
          value={charge.description}
          maxLength={200}
          onChange={(e) => setCharge({ ...charge, description: e.target.value })}
        />
        <MoneyField
          label="Its amount"
          currency={sale.currency}
          value={charge.unitPrice}
          onValue={(unitPrice) => setCharge({ ...charge, unitPrice })}
        />
      </div>
      <div className="mt-2">
        <DayField label="Dated" today={today} value={on} onValue={setOn} problem={messageFor(refused, 'on')} />
      </div>
      {Number(sale.held) > 0 && (
        <p className="mt-2 text-brass-700">{sale.held} is held for this sale and goes on the invoice by itself.</p>
      )}
      <Refusal refused={refused} />
      <Submit busy={busy} onDo={() => void go(true)}>
        Issue the invoice
      </Submit>
      <button className="btn mt-2 w-full" disabled={busy} onClick={() => void go(false)}>
        Make a draft first
      </button>
    </>
  )
}
