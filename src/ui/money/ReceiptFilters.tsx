'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { METHODS } from '@/core/ledger'
import { withQuery } from '../address'
import { DayField, MoneyField } from '../fields'

interface Props {
  readonly query: Record<string, string>
  readonly today: Day
  readonly currency: string
}

/** Which receipts the book shows: by day, amount and how they came; all of it in the address. */
export const ReceiptFilters = ({ query, today, currency }: Props) => {
  const router = useRouter()
  const [from, setFrom] = useState(query.from ?? '')
  const [to, setTo] = useState(query.to ?? '')
  const [amount, setAmount] = useState(query.amount ?? '')
  const go = (change: Record<string, string | undefined>) =>
    router.push(withQuery('/receipts', query, { ...change, after: undefined }))
  return (
    <form
      className="no-print flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault()
        go({ from: from || undefined, to: to || undefined, amount: amount || undefined })
      }}
    >
      <div className="w-[120px]">
        <DayField label="From" today={today} value={from} onValue={setFrom} />
      </div>
      <div className="w-[120px]">
        <DayField label="Through" today={today} value={to} onValue={setTo} />
      </div>
      <div className="w-[110px]">
        <MoneyField label="Exactly" currency={currency} value={amount} onValue={setAmount} />
      </div>
      <label className="w-[120px]">
        <span className="label">How</span>
        <select
          className="field"
          value={query.method ?? ''}
          onChange={(e) => go({ method: e.target.value || undefined })}
        >
          <option value="">any way</option>
          {METHODS.map((m) => (
            <option key={m} value={m}>
              {m}
            </option>
          ))}
        </select>
      </label>
      <button className="btn">Show</button>
    </form>
  )
}
