'use client'
import { useState } from 'react'
import { useFormContext, useWatch } from 'react-hook-form'
import { SUPPLIER_ADDRESSES } from '@/core/kinds'
import { CommandForm } from '../form/CommandForm'
import { FormFind } from '../form/FormFind'
import { FormArea, FormQuantity, FormSelect, FormText } from '../form/inputs'
import { ContactFields } from '../people/ContactFields'
import { findCustomers } from '../Picker'
import { taxOptions, type TaxChoice } from '../taxOptions'
import { supplierBody, type SupplierDraft } from './supplierDraft'
import { isEmptyRow } from '../form/isEmptyRow'

const inputs = () => import('@/contract/inputs/buying/suppliers')
const toAdd = () => inputs().then((m) => m.addSupplierInput)
const toChange = () => inputs().then((m) => m.changeSupplierInput.omit({ supplierId: true }))

interface Props {
  readonly id: number | null
  /** What of the supplier is in `start`. */
  readonly edition?: string
  readonly start: SupplierDraft
  /** The name of the customer they are too. */
  readonly customer?: string
  readonly codes: readonly TaxChoice[]
}

/** Who sells to us: how they are reached, when they are paid, and where to. */
export const SupplierForm = ({ id, edition, start, customer = '', codes }: Props) =>
  id === null ? (
    <CommandForm
      method="POST"
      path="/suppliers"
      schema={toAdd}
      start={start}
      asBody={supplierBody}
      skip={{ contacts: isEmptyRow }}
      say={(s) => `${s.name} added.`}
      go={(s) => `/buying/suppliers/${s.id}`}
      keeps
      submit="Add supplier"
    >
      <Fields customer={customer} codes={codes} />
    </CommandForm>
  ) : (
    <CommandForm
      method="PATCH"
      path={`/suppliers/${id}`}
      schema={toChange}
      start={start}
      asBody={supplierBody}
      skip={{ contacts: isEmptyRow }}
      say={(s) => `${s.name} saved.`}
      keeps
      changes
      edition={edition}
      submit="Save changes"
    >
      <Fields customer={customer} codes={codes} />
    </CommandForm>
  )

const Fields = ({ customer, codes }: { readonly customer: string } & Pick<Props, 'codes'>) => (
  <div className="grid max-w-lg gap-3">
    <FormText name="name" label="Name" most={200} />
    <div className="grid grid-cols-2 gap-3">
      <FormText name="email" label="Email" most={200} type="email" />
      <FormText name="phone" label="Phone" most={60} />
    </div>
    <FormArea name="address" label="Address" most={500} />
    <OtherAddresses />
    <ContactFields title="Contacts" />
    <div className="grid grid-cols-3 gap-3">
      <FormQuantity name="terms.net" label="Due after, days" />
      <FormQuantity name="terms.discountPercent" label="Early discount, %" />
      <FormQuantity name="terms.discountDays" label="Within, days" />
    </div>
    <div className="grid grid-cols-2 gap-3">
      <FormText name="taxNumber" label="Tax number" most={40} />
      <FormSelect name="taxCode" label="Usual tax" options={taxOptions(codes, 'None')} />
    </div>
    <div className="grid grid-cols-2 gap-3">
      <FormText name="bank.name" label="Bank" most={100} />
      <FormText name="bank.iban" label="IBAN" most={60} />
      <FormText name="bank.bic" label="BIC" most={11} />
      <FormText name="bank.routing" label="Routing number" most={40} />
      <FormText name="bank.account" label="Account number" most={40} />
    </div>
    <AlsoCustomer customer={customer} />
    <FormArea name="note" label="Notes" most={2000} />
  </div>
)

const USES = { orders: 'Orders go to', returns: 'Returns go to', checks: 'Checks go to' } as const

/** Where orders, returns and checks go where that is not the address; open where one is written. */
const OtherAddresses = () => {
  const [addresses] = useWatch<SupplierDraft, readonly ['addresses']>({ name: ['addresses'] })
  const [isOpen] = useState(() => SUPPLIER_ADDRESSES.some((use) => addresses[use] !== ''))
  return (
    <details open={isOpen}>
      <summary className="cursor-pointer text-xs underline">Other addresses</summary>
      <div className="mt-2 grid gap-3">
        {SUPPLIER_ADDRESSES.map((use) => (
          <FormArea key={use} name={`addresses.${use}`} label={USES[use]} rows={3} most={500} />
        ))}
      </div>
    </details>
  )
}

/** The same people as a customer: what each side owes may be set off then. */
const AlsoCustomer = ({ customer }: { readonly customer: string }) => {
  const { setValue } = useFormContext<SupplierDraft>()
  const id = useWatch<SupplierDraft, 'customerId'>({ name: 'customerId' })
  return (
    <div>
      <FormFind
        key={id === '' ? 'none' : 'one'}
        name="customerId"
        label="Also a customer"
        find={findCustomers}
        start={id === '' ? '' : customer}
        missing="Choose a customer, or leave it empty."
      />
      {id !== '' && (
        <button type="button" className="text-xs underline" onClick={() => setValue('customerId', '')}>
          Not a customer
        </button>
      )}
    </div>
  )
}
