'use client'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { withQuery } from '../address'
import { DayField, MoneyField } from '../fields'
import { findCustomers, Picker, type FoundCustomer } from '../Picker'
import { SearchBox } from '../SearchBox'

interface Props {
  readonly query: Record<string, string>
  readonly today: Day
  readonly currency: string
  readonly customer: { readonly id: number; readonly name: string } | null
  readonly goods: string | null
}

const STATES = [
  ['', 'all'],
  ['open', 'open'],
  ['late', 'late'],
  ['paid', 'paid'],
  ['credited', 'credited'],
  ['draft', 'drafts'],
] as const

/** What the register shows: every choice stands in the address. */
export const InvoiceFilters = ({ query, today, currency, customer, goods }: Props) => {
  const router = useRouter()
  const [from, setFrom] = useState(query.from ?? '')
  const [to, setTo] = useState(query.to ?? '')
  const [least, setLeast] = useState(query.least ?? '')
  const [most, setMost] = useState(query.most ?? '')
  const go = (change: Record<string, string | undefined>) => router.push(withQuery('/invoices', query, change))
  return (
    <div className="no-print mb-4 grid gap-3">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <SearchBox label="Search invoices" placeholder="number, customer, sale" />
        {STATES.map(([value, name]) => (
          <Link
            key={value}
            prefetch={false}
            className={(query.state ?? '') === value ? 'font-bold' : 'underline'}
            href={withQuery('/invoices', query, { state: value || undefined })}
          >
            {name}
          </Link>
        ))}
      </div>
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(e) => {
          e.preventDefault()
          go({
            from: from || undefined,
            to: to || undefined,
            least: least || undefined,
            most: most || undefined,
          })
        }}
      >
        <div className="w-[220px]">
          <Picker
            label="Customer"
            chosen={customer?.name ?? ''}
            placeholder="anybody"
            find={findCustomers}
            onPick={(c: FoundCustomer) => go({ customer: String(c.id) })}
          />
        </div>
        <label className="w-[130px]">
          <span className="label">Kind</span>
          <select
            className="field"
            value={query.kind ?? ''}
            onChange={(e) => go({ kind: e.target.value || undefined })}
          >
            <option value="">any</option>
            <option value="invoice">invoices</option>
            <option value="counter">counter sales</option>
            <option value="credit-note">credit notes</option>
          </select>
        </label>
        <div className="w-[120px]">
          <DayField label="From" today={today} value={from} onValue={setFrom} />
        </div>
        <div className="w-[120px]">
          <DayField label="Through" today={today} value={to} onValue={setTo} />
        </div>
        <div className="w-[110px]">
          <MoneyField label="At least" currency={currency} value={least} onValue={setLeast} />
        </div>
        <div className="w-[110px]">
          <MoneyField label="At most" currency={currency} value={most} onValue={setMost} />
        </div>
        <button className="btn">Show</button>
        {(Object.keys(query).length > 0 || customer) && (
          <Link prefetch={false} className="pb-2 underline" href="/invoices">
            all of them
          </Link>
        )}
      </form>
      {goods && <p>Only with {goods} on it.</p>}
    </div>
  )
}
