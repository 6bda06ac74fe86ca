'use client'
import { To } from '@/ui/To'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { withQuery } from '../address'
import { DayField, MoneyField } from '../fields'
import { findCustomers, Picker, type FoundCustomer } from '../Picker'

type Values = Readonly<Record<string, string>>

/** A field as the screen needs it: without what reads it from an address. */
export interface AskedField {
  readonly name: string
  readonly as: 'choice' | 'day' | 'amount' | 'customer'
  readonly label: string
  readonly placeholder?: string
  readonly choices?: readonly { readonly value: string; readonly name: string }[]
}

interface Props {
  readonly path: string
  readonly query: Values
  readonly fields: readonly AskedField[]
  readonly today: Day
  readonly currency: string
  /** The name of the customer it is narrowed to. */
  readonly customer?: string | null
}

/**
 * What is typed into fields and not applied yet: it stays while something else changes in the address, the words that are searched for or
 * the order. Where its own value has changed there, that one is shown.
 */
const useUnapplied = (query: Values) => {
  const [was, setWas] = useState(query)
  const [typed, setTyped] = useState<Values>({})
  if (JSON.stringify(was) !== JSON.stringify(query)) {
    setWas(query)
    setTyped(Object.fromEntries(Object.entries(typed).filter(([name]) => was[name] === query[name])))
  }
  return [typed, setTyped] as const
}

/** What a list can be narrowed by, as one line of fields; every choice stands in the address. */
export const ListFilters = ({ path, query, fields, today, currency, customer }: Props) => {
  const router = useRouter()
  const [typed, setTyped] = useUnapplied(query)
  const valueOf = (name: string): string => typed[name] ?? query[name] ?? ''
  const go = (change: Readonly<Record<string, string | undefined>>) =>
    router.push(withQuery(path, query, { ...change, page: undefined }))
  const field = (f: AskedField) => {
    const { name, label } = f
    const onValue = (value: string) => setTyped({ ...typed, [name]: value })
    switch (f.as) {
      case 'customer':
        return (
          <div key={name} className="w-56 max-sm:w-full">
            <Picker
              label={label}
              chosen={customer ?? ''}
              placeholder={f.placeholder}
              find={findCustomers}
              onPick={(c: FoundCustomer) => go({ [name]: String(c.id) })}
            />
          </div>
        )
      case 'choice':
        return (
          <label key={name} className="w-32 max-sm:w-[47%]">
            <span className="label">{label}</span>
            <select
              className="field"
              value={query[name] ?? ''}
              onChange={(e) => go({ [name]: e.target.value || undefined })}
            >
              {f.placeholder !== '' && <option value="">{f.placeholder ?? 'any'}</option>}
              {f.choices?.map((c) => (
                <option key={c.value} value={c.value}>
                  {c.name}
                </option>
              ))}
            </select>
          </label>
        )
      case 'day':
        return (
          <div key={name} className="w-32 max-sm:w-[47%]">
            <DayField label={label} today={today} value={valueOf(name)} onValue={onValue} />
          </div>
        )
      case 'amount':
        return (
          <div key={name} className="w-28 max-sm:w-[47%]">
            <MoneyField label={label} currency={currency} value={valueOf(name)} onValue={onValue} />
          </div>
        )
    }
  }
  const isTyped = fields.some((f) => f.as === 'day' || f.as === 'amount')
  return (
    <form
      className="no-print flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault()
        go(Object.fromEntries(Object.entries(typed).map(([name, value]) => [name, value || undefined])))
      }}
    >
      {fields.map(field)}
      {isTyped && <button className="btn">Apply</button>}
      {Object.keys(query).some((name) => name !== 'sort' && name !== 'view') && (
        <To className="pb-2 underline" href={withQuery(path, {}, { view: query.view })}>
          Show all
        </To>
      )}
    </form>
  )
}
