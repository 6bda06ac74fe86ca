'use client'
import { CommandForm } from '../form/CommandForm'
import type { SupplierDraft } from './supplierDraft'
import { FormArea, FormQuantity, FormText } from '../form/inputs'

const inputs = () => import('@/contract/inputs/buying/suppliers')
const toAdd = () => inputs().then((m) => m.addSupplierInput)
const toChange = () => inputs().then((m) => m.changeSupplierInput.omit({ supplierId: true }))

const bodyOf = ({ terms, ...d }: SupplierDraft) => ({
  ...d,
  terms: { ...terms, net: Number(terms.net), discountDays: Number(terms.discountDays) },
})

/** Who sells to us: how they are reached, when they are paid, and where to. */
export const SupplierForm = ({ id, start }: { readonly id: number | null; readonly start: SupplierDraft }) =>
  id === null ? (
    <CommandForm
      method="POST"
      path="/suppliers"
      schema={toAdd}
      start={start}
      asBody={bodyOf}
      say={(s) => `${s.name} added.`}
      go={(s) => `/buying/suppliers/${s.id}`}
      submit="Add supplier"
    >
      <Fields />
    </CommandForm>
  ) : (
    <CommandForm
      method="PATCH"
      path={`/suppliers/${id}`}
      schema={toChange}
      start={start}
      asBody={bodyOf}
      say={(s) => `${s.name} saved.`}
      submit="Save changes"
    >
      <Fields />
    </CommandForm>
  )

const Fields = () => (
  <div className="grid max-w-lg gap-3">
    <FormText name="name" label="Name" most={200} />
    <div className="grid grid-cols-2 gap-3">
      <FormText name="email" label="Email" most={200} type="email" />
      <FormText name="phone" label="Phone" most={60} />
    </div>
    <FormArea name="address" label="Address" most={500} />
    <div className="grid grid-cols-3 gap-3">
      <FormQuantity name="terms.net" label="Due after, days" />
      <FormQuantity name="terms.discountPercent" label="Early discount, %" />
      <FormQuantity name="terms.discountDays" label="Within, days" />
    </div>
    <div className="grid grid-cols-2 gap-3">
      <FormText name="bank.name" label="Bank" most={100} />
      <FormText name="bank.iban" label="IBAN" most={60} />
      <FormText name="bank.bic" label="BIC" most={11} />
      <FormText name="bank.routing" label="Routing number" most={40} />
      <FormText name="bank.account" label="Account number" most={40} />
    </div>
    <FormArea name="note" label="Notes" most={2000} />
  </div>
)
