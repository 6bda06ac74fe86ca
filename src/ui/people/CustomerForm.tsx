'use client'
import { To } from '@/ui/To'
import { useEffect, useState } from 'react'
import { FormProvider, useWatch } from 'react-hook-form'
import type { Day } from '@/core/day'
import { FormProblems } from '../form/FormProblems'
import { FormArea, FormCheck, FormDay, FormMoney, FormQuantity, FormSelect, FormText } from '../form/inputs'
import { useCommandForm } from '../form/useCommandForm'
import { LeftOffer } from '../left'
import { call } from '../send'
import { AddressFields } from './AddressFields'
import { ContactFields } from './ContactFields'
import { customerBody, isNoAddress, type CustomerDraft } from './customerDraft'
import { isEmptyRow } from '../form/isEmptyRow'

interface Named {
  readonly code: string
  readonly name: string
}

interface Props {
  readonly id: number | null
  /** What of the customer is in `start`. */
  readonly edition?: string
  readonly start: CustomerDraft
  readonly currency: string
  readonly today: Day
  readonly levels: readonly Named[]
  readonly areas: readonly Named[]
}

const LANGUAGES = [
  { value: 'en', name: 'English' },
  { value: 'de', name: 'Deutsch' },
  { value: 'fr', name: 'français' },
  { value: 'es', name: 'español' },
  { value: 'he', name: 'עברית' },
] as const

const schema = () => import('@/contract/inputs/people/keepCustomer').then((m) => m.addCustomerInput)

/** A customer: the name is enough, the rest can wait. */
export const CustomerForm = ({ id, edition, start, currency, today, levels, areas }: Props) => {
  const { form, sendBody, busy, refused, bringBack } = useCommandForm({
    start,
    keeps: 'customer',
    changes: id !== null,
    edition,
    schema,
    asBody: customerBody,
    skip: { addresses: isNoAddress, contacts: isEmptyRow },
  })
  const save =
    id === null
      ? sendBody('POST', '/customers', { say: (c) => `${c.name} added.`, go: (c) => `/people/${c.id}` })
      : sendBody('PATCH', `/customers/${id}`, { say: (c) => `${c.name} saved.`, go: (c) => `/people/${c.id}` })
  return (
    <FormProvider {...form}>
      <form noValidate className="grid max-w-4xl gap-x-8 gap-y-4 md:grid-cols-2" onSubmit={(e) => void save(e)}>
        <div className="md:col-span-2 empty:hidden">
          <LeftOffer bringBack={bringBack} />
        </div>
        <FormText name="name" label="Name" most={200} autoFocus />
        <FormText name="email" label="Email" most={200} type="email" />
        <LookAlikes except={id} />
        <FormText name="contact" label="Main contact" most={200} />
        <FormText name="phone" label="Phone" most={60} />
        <AddressFields areas={areas} />
        <div className="md:col-span-2">
          <ContactFields title="More contacts" />
        </div>
        <div className="grid grid-cols-3 items-end gap-3">
          <FormQuantity name="terms.net" label="Payment due in (days)" />
          <FormQuantity name="terms.discountPercent" label="Early-payment discount, %" />
          <FormQuantity name="terms.discountDays" label="If paid within (days)" />
        </div>
        <div className="grid grid-cols-2 gap-3">
          <FormMoney name="creditLimit" label="Credit limit" currency={currency} />
          <FormSelect
            name="priceLevel"
            label="Price list"
            options={[{ value: '', name: 'List price' }, ...levels.map((l) => ({ value: l.code, name: l.name }))]}
          />
        </div>
        <div className="grid grid-cols-2 gap-3">
          <FormText name="kind" label="Type" most={40} placeholder="e.g. school, trade" />
          <FormSelect name="language" label="Document language" options={LANGUAGES} />
        </div>
        <FormText name="tags" label="Tags, separated by commas" most={400} placeholder="cello, lessons" />
        <Exempt today={today} />
        <FormArea name="note" label="Notes" most={4000} />
        <div className="md:col-span-2">
          <FormProblems refused={refused} />
          <button className="btn btn-do mt-2" disabled={busy} data-primary>
            {id === null ? 'Add customer' : 'Save changes'}
          </button>
        </div>
      </form>
    </FormProvider>
  )
}

const Exempt = ({ today }: { readonly today: Day }) => {
  const exempt = useWatch<CustomerDraft, 'taxExempt'>({ name: 'taxExempt' })
  return (
    <div>
      <FormCheck name="taxExempt" label="Tax exempt" />
      {exempt && (
        <div className="grid grid-cols-2 gap-3">
          <FormText name="exemptNumber" label="Certificate number" most={60} />
          <FormDay name="exemptUntil" label="Valid until" today={today} />
        </div>
      )}
    </div>
  )
}

interface Alike {
  readonly id: number
  readonly name: string
  readonly why: string
}

/** Who looks like the one being typed, asked a moment after the last key. */
const LookAlikes = ({ except }: { readonly except: number | null }) => {
  const [name, email, phone] = useWatch<CustomerDraft, readonly ['name', 'email', 'phone']>({
    name: ['name', 'email', 'phone'],
  })
  const [alike, setAlike] = useState<readonly Alike[]>([])
  useEffect(() => {
    let over = false
    const timer = setTimeout(() => {
      if (name.trim().length < 3 && email === '') return setAlike([])
      const query = new URLSearchParams({ name, email, phone, ...(except ? { except: String(except) } : {}) })
      void call('GET', `/customers/look-alikes?${query}`).then((a) => {
        // An answer to what was typed before says nothing of what stands there now.
        if (!over) setAlike(a.ok ? a.value.items : [])
      })
    }, 300)
    return () => {
      over = true
      clearTimeout(timer)
    }
  }, [name, email, phone, except])
  return alike.length === 0 ? null : (
    <p role="status" className="notice notice-asks md:col-span-2">
      Already there?{' '}
      {alike.map((a) => (
        <span key={a.id} className="mr-3">
          <To className="font-bold underline" href={`/people/${a.id}`}>
            {a.name}
          </To>{' '}
          <span className="sub">({a.why})</span>
        </span>
      ))}
    </p>
  )
}
