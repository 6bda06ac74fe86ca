'use client'
import Link from 'next/link'
import { useEffect, useState } from 'react'
import type { Day } from '@/core/day'
import { DayField, MoneyField, QuantityField, Text } from '../fields'
import { messageFor, Refusal } from '../Refusal'
import { call, useSend } from '../send'
import { AddressFields, ContactFields } from './AddressFields'
import type { CustomerDraft } from './noCustomer'

interface Props {
  readonly id: number | null
  readonly start: CustomerDraft
  readonly currency: string
  readonly today: Day
  readonly levels: readonly { readonly code: string; readonly name: string }[]
  readonly areas: readonly { readonly code: string; readonly name: string }[]
}

const LANGUAGES = { en: 'English', de: 'Deutsch', fr: 'français', es: 'español', he: 'עברית' } as const

interface Alike {
  readonly id: number
  readonly name: string
  readonly why: string
}

/** Who looks like the one being typed, asked a moment after the last key. */
const useLookAlikes = (c: CustomerDraft, id: number | null): readonly Alike[] => {
  const [alike, setAlike] = useState<readonly Alike[]>([])
  useEffect(() => {
    const timer = setTimeout(() => {
      if (c.name.trim().length < 3 && c.email === '') return setAlike([])
      const query = new URLSearchParams({
        name: c.name,
        email: c.email,
        phone: c.phone,
        ...(id ? { except: String(id) } : {}),
      })
      void call<{ items: Alike[] }>('GET', `/customers/look-alikes?${query}`).then((a) =>
        setAlike(a.ok ? a.value.items : []),
      )
    }, 300)
    return () => clearTimeout(timer)
  }, [c.name, c.email, c.phone, id])
  return alike
}

const asBody = (c: CustomerDraft) => ({
  name: c.name,
  contact: c.contact,
  email: c.email,
  phone: c.phone,
  kind: c.kind,
  note: c.note,
  terms: {
    net: /^\d+$/.test(c.net) ? Number(c.net) : 0,
    ...(c.discountPercent ? { discountPercent: c.discountPercent, discountDays: Number(c.discountDays) || 0 } : {}),
  },
  taxExempt: c.taxExempt,
  exemptNumber: c.exemptNumber,
  exemptUntil: c.exemptUntil || null,
  priceLevel: c.priceLevel,
  language: c.language,
  tags: c.tags
    .split(',')
    .map((t) => t.trim())
    .filter(Boolean),
  creditLimit: c.creditLimit || null,
  addresses: c.addresses.filter((a) => a.text.trim() !== ''),
  contacts: c.contacts.filter((x) => x.name.trim() !== '' || x.email !== ''),
})

/** A customer: the name is enough, the rest can wait. */
export const CustomerForm = ({ id, start, currency, today, levels, areas }: Props) => {
  const [c, setC] = useState(start)
  const { send, busy, refused } = useSend()
  const alike = useLookAlikes(c, id)
  const set = (change: Partial<CustomerDraft>) => setC({ ...c, ...change })
  const problem = (path: string) => messageFor(refused, path)
  const save = () =>
    void send<{ id: number; name: string }>(
      id === null ? 'POST' : 'PATCH',
      id === null ? '/customers' : `/customers/${id}`,
      asBody(c),
      {
        say: (r) => `${r.name} is ${id === null ? 'added' : 'changed'}.`,
        go: (r) => `/people/${r.id}`,
      },
    )
  const text = (
    label: string,
    key: 'name' | 'email' | 'contact' | 'phone' | 'kind' | 'tags' | 'exemptNumber',
    most: number,
    extra: object = {},
  ) => (
    <Text
      label={label}
      value={c[key]}
      maxLength={most}
      onChange={(e) => set({ [key]: e.target.value })}
      problem={problem(key)}
      {...extra}
    />
  )
  return (
    <form
      className="grid max-w-[900px] gap-x-8 gap-y-4 md:grid-cols-2"
      onSubmit={(e) => {
        e.preventDefault()
        save()
      }}
    >
      {text('Name', 'name', 200, { autoFocus: true })}
      {text('E-mail', 'email', 200, { type: 'email' })}
      {alike.length > 0 && (
        <p role="status" className="border-l-4 border-rust-600 bg-rust-100 px-3 py-2 md:col-span-2">
          Already there?{' '}
          {alike.map((a) => (
            <span key={a.id} className="mr-3">
              <Link prefetch={false} className="font-bold underline" href={`/people/${a.id}`}>
                {a.name}
              </Link>{' '}
              <span className="sub">({a.why})</span>
            </span>
          ))}
        </p>
      )}
      {text('Contact', 'contact', 200, { hint: 'whom to ask for' })}
      {text('Phone', 'phone', 60)}
      <AddressFields
        addresses={c.addresses}
        onAddresses={(addresses) => set({ addresses })}
        areas={areas}
        problem={problem}
      />
      <ContactFields contacts={c.contacts} onContacts={(contacts) => set({ contacts })} problem={problem} />
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
        <QuantityField label="within days" value={c.discountDays} onValue={(discountDays) => set({ discountDays })} />
      </div>
      <div className="grid grid-cols-2 gap-3">
        <MoneyField
          label="Credit limit"
          currency={currency}
          value={c.creditLimit}
          onValue={(creditLimit) => set({ creditLimit })}
          problem={problem('creditLimit')}
        />
        <label>
          <span className="label">Prices</span>
          <select className="field" value={c.priceLevel} onChange={(e) => set({ priceLevel: e.target.value })}>
            <option value="">the list</option>
            {levels.map((l) => (
              <option key={l.code} value={l.code}>
                {l.name}
              </option>
            ))}
          </select>
        </label>
      </div>
      <div className="grid grid-cols-2 gap-3">
        {text('Kind', 'kind', 40, { placeholder: 'player, school …' })}
        <label>
          <span className="label">Papers in</span>
          <select className="field" value={c.language} onChange={(e) => set({ language: e.target.value })}>
            {Object.entries(LANGUAGES).map(([k, name]) => (
              <option key={k} value={k}>
                {name}
              </option>
            ))}
          </select>
        </label>
      </div>
      {text('Tags, with commas', 'tags', 400, { placeholder: 'cello, lessons' })}
      <div>
        <label className="flex min-h-9 items-center gap-2">
          <input type="checkbox" checked={c.taxExempt} onChange={(e) => set({ taxExempt: e.target.checked })} /> Exempt
          from tax
        </label>
        {c.taxExempt && (
          <div className="grid grid-cols-2 gap-3">
            {text('Number', 'exemptNumber', 60)}
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
      <label>
        <span className="label">Notes</span>
        <textarea
          rows={2}
          maxLength={4000}
          className="field"
          value={c.note}
          onChange={(e) => set({ note: e.target.value })}
        />
      </label>
      <div className="md:col-span-2">
        {refused && <Refusal refused={refused} />}
        <button className="btn btn-do mt-2" disabled={busy} data-primary>
          {id === null ? 'Add the customer' : 'Keep the changes'}
        </button>
      </div>
    </form>
  )
}
