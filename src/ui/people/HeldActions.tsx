'use client'
import { METHODS, type Method } from '@/core/ledger'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { DayField, MoneyField } from '../fields'
import { Panel } from '../Panel'
import { messageFor, Refusal } from '../Refusal'
import { useSend } from '../send'

interface Props {
  readonly customerId: number
  readonly name: string
  readonly currency: string
  readonly today: Day
  readonly owes: boolean
  readonly held: readonly { readonly saleId: number | null; readonly amount: string }[]
}

/** Held money: put on what they owe, or given back. */
export const HeldActions = ({ customerId, name, currency, today, owes, held }: Props) => {
  const [from, setFrom] = useState<Props['held'][number] | null>(null)
  const [amount, setAmount] = useState('')
  const [method, setMethod] = useState<Method>('transfer')
  const [on, setOn] = useState<string>(today)
  const { send, busy, refused } = useSend()
  const account = held.find((h) => h.saleId === null)
  const refund = async () => {
    const done = await send(
      'POST',
      '/refunds',
      { customerId, saleId: from?.saleId ?? undefined, on, amount, method },
      { say: (r) => `Refund ${r.number}: ${r.amount} back to ${name}.` },
    )
    if (done) setFrom(null)
  }
  return (
    <p className="mt-3 flex flex-wrap gap-2">
      {account && owes && (
        <button
          className="btn"
          disabled={busy}
          onClick={() =>
            void send(
              'POST',
              '/held-uses',
              { customerId },
              { say: (u) => `${u.used} of what was held is put on what ${name} owes.` },
            )
          }
        >
          Put it on what they owe
        </button>
      )}
      {held.map((h) => (
        <button
          key={h.saleId ?? 0}
          className="btn"
          onClick={() => {
            setFrom(h)
            setAmount(h.amount)
          }}
        >
          Give back{held.length > 1 ? (h.saleId === null ? ' on account' : ' deposit') : ''}
        </button>
      ))}
      {!from && <Refusal refused={refused} />}
      <Panel open={from !== null} onClose={() => setFrom(null)} title="Give held money back">
        <p className="mb-3">{from?.amount} is held. What you give back is theirs; it was never income.</p>
        <div className="grid gap-3">
          <MoneyField
            label="Amount"
            currency={currency}
            value={amount}
            onValue={setAmount}
            problem={messageFor(refused, 'amount')}
          />
          <div>
            <label className="label" htmlFor="refund-method">
              How
            </label>
            <select
              id="refund-method"
              className="field"
              value={method}
              onChange={(e) => setMethod(METHODS.find((m) => m === e.target.value) ?? 'transfer')}
            >
              <option value="transfer">transfer</option>
              <option value="cash">cash</option>
              <option value="card">card</option>
              <option value="cheque">cheque</option>
            </select>
          </div>
          <DayField label="On" today={today} value={on} onValue={setOn} />
        </div>
        <Refusal refused={refused} />
        <button className="btn btn-do mt-4" data-primary disabled={busy} onClick={() => void refund()}>
          Give it back
        </button>
      </Panel>
    </p>
  )
}
