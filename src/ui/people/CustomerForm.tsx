'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { DayField, MoneyField, QuantityField, Text } from '../fields'
import type { CustomerDraft } from './noCustomer'
import { messageFor, Refusal } from '../Refusal'
import { useSend } from '../send'

interface Props {
  readonly id: number | null
  readonly start: CustomerDraft
  readonly currency: string
  readonly today: Day
}

/** A customer: the name is enough, the rest can wait. */
export const CustomerForm = ({ id, start, currency, today }: Props) => {
  const [c, setC] = useState(start)
  const { send, busy, refused } = useSend()
  const set = (change: Partial<CustomerDraft>) => setC({ ...c, ...change })
  const problem = (path: string) => messageFor(refused, path)
  const save = () => {
    const body = {
      name: c.name,
      contact: c.contact,
      email: c.email,
      phone: c.phone,
      kind: c.kind,
      note: c.note,
      terms: {
        net: /^\d+$/.test(c.net) ? Number(c.net) : 0,
        ...(c.discountPercent
          ? { discountPercent: c.discountPercent, discountDays: Number(c.discountDays) || 0 }
          : {}),
      },
      taxExempt: c.taxExempt,
      exemptNumber: c.exemptNumber,
      exemptUntil: c.exemptUntil || null,
      creditLimit: c.creditLimit || null,
      addresses: [
        ...(c.billTo.trim() ? [{ kind: 'bill-to', text: c.billTo, isDefault: true }] : []),
        ...c.deliverTo
          .filter((a) => a.trim())
          .map((text, i) => ({ kind: 'deliver-to', text, isDefault: i === 0 })),
      ],
    }
    void send<{ id: number; name: string }>(
      id === null ? 'POST' : 'PATCH',
      id === null ? '/customers' : `/customers/${id}`,
      body,
      { say: (r) => `${r.name} is ${id === null ? 'added' : 'changed'}.`, go: (r) => `/people/${r.id}` },
    )
  }
  return (
    <form
      className="grid max-w-[820px] gap-x-6 gap-y-3 md:grid-cols-2"
      onSubmit={(e) => {
        e.preventDefault()
        save()
      }}
    >
      <Text
        label="Name"
        autoFocus
        value={c.name}
        maxLength={200}
        onChange={(e) => set({ name: e.target.value })}
        problem={problem('name')}
      />
      <Text
        label="E-mail"
        type="email"
        value={c.email}
        maxLength={200}
        onChange={(e) => set({ email: e.target.value })}
        problem={problem('email')}
      />
      <Text
        label="Contact"
        value={c.contact}
        maxLength={200}
        onChange={(e) => set({ contact: e.target.value })}
        hint="whom to ask for"
      />
      <Text
        label="Phone"
        value={c.phone}
        maxLength={60}
        onChange={(e) => set({ phone: e.target.value })}
        problem={problem('phone')}
      />
      <div>
        <label className="label" htmlFor="bill-to">
          Bill to
        </label>
        <textarea
          id="bill-to"
          rows={3}
          maxLength={500}
          className="field"
          value={c.billTo}
          onChange={(e) => set({ billTo: e.target.value })}
        />
      </div>
      <div>
        {c.deliverTo.map((a, i) => (
          <div key={i} className="mb-1">
            <label className="label" htmlFor={`deliver-${i}`}>
              {i === 0 ? 'Deliver to, if elsewhere' : `Deliver to, ${i + 1}`}
            </label>
            <textarea
              id={`deliver-${i}`}
              rows={3}
              maxLength={500}
              className="field"
              value={a}
              onChange={(e) => set({ deliverTo: c.deliverTo.map((x, n) => (n === i ? e.target.value : x)) })}
            />
          </div>
        ))}
        <button
          type="button"
          className="text-xs underline"
          onClick={() => set({ deliverTo: [...c.deliverTo, ''] })}
        >
          one more address
        </button>
      </div>
      <div className="grid grid-cols-3 gap-3">
        <QuantityField
          label="Pays in days"
          value={c.net}
          onValue={(net) => set({ net })}
          problem={problem('terms.net')}
        />
        <QuantityField
          label="% off early"
          value={c.discountPercent}
          onValue={(discountPercent) => set({ discountPercent })}
          problem={problem('terms.discountPercent')}
        />
        <QuantityField
          label="within days"
          value={c.discountDays}
          onValue={(discountDays) => set({ discountDays })}
        />
      </div>
      <div className="grid grid-cols-2 gap-3">
        <MoneyField
          label="Credit limit"
          currency={currency}
          value={c.creditLimit}
          onValue={(creditLimit) => set({ creditLimit })}
          problem={problem('creditLimit')}
        />
        <Text
          label="Kind"
          value={c.kind}
          maxLength={40}
          placeholder="player, school, shop …"
          onChange={(e) => set({ kind: e.target.value })}
        />
      </div>
      <div>
        <label className="flex min-h-9 items-center gap-2">
          <input
            type="checkbox"
            checked={c.taxExempt}
            onChange={(e) => set({ taxExempt: e.target.checked })}
          />{' '}
          Exempt from tax
        </label>
        {c.taxExempt && (
          <div className="grid grid-cols-2 gap-3">
            <Text
              label="Number"
              value={c.exemptNumber}
              maxLength={60}
              onChange={(e) => set({ exemptNumber: e.target.value })}
            />
            <DayField
              label="Through"
              today={today}
              value={c.exemptUntil}
              onValue={(exemptUntil) => set({ exemptUntil })}
              problem={problem('exemptUntil')}
            />
          </div>
        )}
      </div>
      <div>
        <label className="label" htmlFor="note">
          Notes
        </label>
        <textarea
          id="note"
          rows={2}
          maxLength={4000}
          className="field"
          value={c.note}
          onChange={(e) => set({ note: e.target.value })}
        />
      </div>
      <div className="md:col-span-2">
        {refused && <Refusal refused={refused} />}
        <button className="btn btn-do mt-2" disabled={busy} data-primary>
          {id === null ? 'Add the customer' : 'Keep the changes'}
        </button>
      </div>
    </form>
  )
}
