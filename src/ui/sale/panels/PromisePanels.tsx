'use client'
import { useState } from 'react'
import { addDays } from '@/core/day'
import type { Method } from '@/core/ledger'
import { Choice } from '../../Choice'
import { MethodChoice } from '../../money/MethodChoice'
import { DayField, MoneyField, showMoney, Text } from '../../fields'
import { messageFor, Refusal } from '../../Refusal'
import { useSend } from '../../send'
import { Submit, type PanelProps, type SheetPromise } from './parts'
import { WhyAndOn } from '@/ui/WhyAndOn'

/** A layaway is given up: the fee, the refund, the goods, in one step. */
export const GiveUp = ({ sale, today, onClose }: PanelProps) => {
  const { send, busy, refused } = useSend()
  const [method, setMethod] = useState<Method>('cash')
  const [on, setOn] = useState<string>(today)
  const { layaway } = sale.promise
  const go = async () => {
    const done = await send(
      'POST',
      `/sales/${sale.id}/layaway/give-up`,
      { on, method },
      { say: (g) => `Given up: ${g.fee} kept as the fee, ${g.refund} given back. The goods are available.` },
    )
    if (done) onClose()
  }
  return (
    <>
      <dl className="mb-4 grid grid-cols-[1fr_auto] gap-y-1 bg-paper-100 px-3 py-2.5">
        <dt>Held for them</dt>
        <dd className="fig">{showMoney(sale.held, sale.currency)}</dd>
        <dt>Fee, by the terms</dt>
        <dd className="fig">−{showMoney(layaway?.fee ?? '0', sale.currency)}</dd>
        <dt className="border-t border-iron-900 pt-1 font-bold">Given back</dt>
        <dd className="fig border-t border-iron-900 pt-1 font-bold">
          {showMoney(layaway?.back ?? sale.held, sale.currency)}
        </dd>
      </dl>
      <MethodChoice label="Given back by" method={method} onMethod={setMethod} />
      <div className="mt-3">
        <DayField label="On" today={today} value={on} onValue={setOn} problem={messageFor(refused, 'on')} />
      </div>
      <Refusal refused={refused} />
      <Submit busy={busy} onDo={() => void go()}>
        Give it up
      </Submit>
    </>
  )
}

/** They promised to pay by a day. */
export const PromisePay = ({ sale, today, onClose }: PanelProps) => {
  const { send, busy, refused } = useSend()
  const [by, setBy] = useState<string>(addDays(today, 7))
  const [amount, setAmount] = useState(sale.open)
  const [note, setNote] = useState('')
  const go = async () => {
    const done = await send(
      'POST',
      `/sales/${sale.id}/promises`,
      { by, amount, note },
      { say: () => 'Noted. If it does not come, it is back in Today the day after.' },
    )
    if (done) onClose()
  }
  return (
    <div className="grid gap-3">
      <DayField label="They pay by" today={today} value={by} onValue={setBy} problem={messageFor(refused, 'by')} />
      <MoneyField
        label="How much"
        currency={sale.currency}
        value={amount}
        onValue={setAmount}
        problem={messageFor(refused, 'amount')}
      />
      <Text label="What they said" value={note} maxLength={500} onChange={(e) => setNote(e.target.value)} />
      <Refusal refused={refused} />
      <Submit busy={busy} onDo={() => void go()}>
        Note the promise
      </Submit>
    </div>
  )
}

const WAYS = [
  { value: 'refund', label: 'give it back' },
  { value: 'move', label: 'move it to another sale' },
  { value: 'account', label: 'put it on their account' },
  { value: 'fetch', label: 'bring some here from their account' },
] as const

/** Held money: back to the customer, to another sale, or to and from their account. */
export const HeldMoney = ({ sale, today, onClose }: PanelProps) => {
  const { send, busy, refused } = useSend()
  const { otherSales, onAccount } = sale.promise
  const ways = WAYS.filter((w) =>
    w.value === 'fetch'
      ? Number(onAccount) > 0 && sale.stands !== 'cancelled'
      : Number(sale.held) > 0 && (w.value !== 'move' || otherSales.length > 0),
  )
  const [way, setWay] = useState<(typeof WAYS)[number]['value']>(ways[0]?.value ?? 'refund')
  const [amount, setAmount] = useState(way === 'fetch' ? onAccount : sale.held)
  const [method, setMethod] = useState<Method>('cash')
  const [toSaleId, setTo] = useState(otherSales[0]?.id)
  const [on, setOn] = useState<string>(today)
  const go = async () => {
    const base = { customerId: sale.customerId, amount, on }
    const done =
      way === 'refund'
        ? await send(
            'POST',
            '/refunds',
            { ...base, saleId: sale.id, method },
            { say: (r) => `Refund ${r.number}: ${amount} given back.` },
          )
        : await send(
            'POST',
            '/held-moves',
            way === 'fetch'
              ? { ...base, toSaleId: sale.id }
              : { ...base, fromSaleId: sale.id, ...(way === 'move' ? { toSaleId } : {}) },
            { say: () => `${amount} moved; it is still held.` },
          )
    if (done) onClose()
  }
  return (
    <>
      <p className="mb-3">
        {sale.held} is held for this sale{Number(onAccount) > 0 && `, ${onAccount} on their account`}.
      </p>
      <Choice
        label="What happens to it"
        value={way}
        options={ways}
        onChoose={(w) => {
          setWay(w)
          setAmount(w === 'fetch' ? onAccount : sale.held)
        }}
      />
      <div className="mt-3 grid gap-3">
        {way === 'move' && (
          <label>
            <span className="label">To sale</span>
            <select className="field" value={toSaleId} onChange={(e) => setTo(Number(e.target.value))}>
              {otherSales.map((o) => (
                <option key={o.id} value={o.id}>
                  {o.number} {o.title}
                </option>
              ))}
            </select>
          </label>
        )}
        <MoneyField
          label="How much"
          currency={sale.currency}
          value={amount}
          onValue={setAmount}
          problem={messageFor(refused, 'amount')}
        />
        {way === 'refund' && <MethodChoice label="Given back by" method={method} onMethod={setMethod} />}
        <DayField label="On" today={today} value={on} onValue={setOn} problem={messageFor(refused, 'on')} />
      </div>
      <Refusal refused={refused} />
      <Submit busy={busy} onDo={() => void go()}>
        Do it
      </Submit>
    </>
  )
}

interface WhichDueProps {
  readonly label: string
  readonly dues: SheetPromise['dues']
  readonly dueId: number | undefined
  readonly onDue: (due: SheetPromise['dues'][number]) => void
}

/** One of the dues of a sale, with what is open of it. */
const WhichDue = ({ label, dues, dueId, onDue }: WhichDueProps) => (
  <label>
    <span className="label">{label}</span>
    <select
      className="field"
      value={dueId}
      onChange={(e) => {
        const due = dues.find((d) => d.id === Number(e.target.value))
        if (due) onDue(due)
      }}
    >
      {dues.map((d) => (
        <option key={d.id} value={d.id}>
          {d.name}: {d.open} open
        </option>
      ))}
    </select>
  </label>
)

/** A due is given up. */
export const WriteOff = ({ sale, today, onClose }: PanelProps) => {
  const { send, busy, refused } = useSend()
  const { dues } = sale.promise
  const [dueId, setDue] = useState(dues[0]?.id)
  const [amount, setAmount] = useState(dues[0]?.open ?? '')
  const [reason, setReason] = useState('')
  const [on, setOn] = useState<string>(today)
  const go = async () => {
    const done = await send(
      'POST',
      `/dues/${dueId ?? 0}/write-off`,
      { amount, reason, on },
      { say: (w) => `${w.number}: ${w.amount} written off.` },
    )
    if (done) onClose()
  }
  return (
    <div className="grid gap-3">
      <p>The loss is posted to bad debts, its tax comes back where that is allowed, and it is owed no more.</p>
      <WhichDue
        label="Which"
        dues={dues}
        dueId={dueId}
        onDue={(due) => {
          setDue(due.id)
          setAmount(due.open)
        }}
      />
      <MoneyField
        label="How much"
        currency={sale.currency}
        value={amount}
        onValue={setAmount}
        problem={messageFor(refused, 'amount')}
      />
      <WhyAndOn today={today} reason={reason} onReason={setReason} on={on} onOn={setOn} refused={refused} />
      <Refusal refused={refused} />
      <Submit busy={busy} onDo={() => void go()}>
        Write it off
      </Submit>
    </div>
  )
}

/** A late charge that was agreed, on what is late. */
export const ChargeLate = ({ sale, today, onClose }: PanelProps) => {
  const { send, busy, refused } = useSend()
  const proposed = sale.promise.lateCharges
  const late = sale.promise.dues.filter((d) => d.late)
  const [dueId, setDue] = useState(proposed[0]?.dueId ?? late[0]?.id)
  const [amount, setAmount] = useState(proposed[0]?.amount ?? '')
  const [on, setOn] = useState<string>(today)
  const go = async () => {
    const done = await send(
      'POST',
      `/dues/${dueId ?? 0}/late-charge`,
      { amount, on },
      { say: (c) => `${c.amount} charged; it is due at once.` },
    )
    if (done) onClose()
  }
  return (
    <div className="grid gap-3">
      <WhichDue
        label="For"
        dues={late}
        dueId={dueId}
        onDue={({ id }) => {
          setDue(id)
          setAmount(proposed.find((p) => p.dueId === id)?.amount ?? '')
        }}
      />
      <MoneyField
        label="Late charge"
        currency={sale.currency}
        value={amount}
        onValue={setAmount}
        problem={messageFor(refused, 'amount')}
        hint={proposed.some((p) => p.dueId === dueId) ? 'as it was agreed' : 'nothing was agreed for this'}
      />
      <DayField label="On" today={today} value={on} onValue={setOn} problem={messageFor(refused, 'on')} />
      <Refusal refused={refused} />
      <Submit busy={busy} onDo={() => void go()}>
        Charge it
      </Submit>
    </div>
  )
}
