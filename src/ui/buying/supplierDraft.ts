import { SUPPLIER_ADDRESSES, type SupplierAddressUse } from '@/core/kinds'
import type { ContactDraft } from '../people/customerDraft'

/** A supplier as the form holds them: the shape of the call, with text wherever something is typed. */
export interface SupplierDraft {
  name: string
  email: string
  phone: string
  address: string
  note: string
  taxNumber: string
  /** What their bills usually are taxed with; empty where nothing is usual. */
  taxCode: string
  /** The same people as a customer; empty where they are none. */
  customerId: string
  addresses: Record<SupplierAddressUse, string>
  contacts: ContactDraft[]
  terms: { net: string; discountPercent: string; discountDays: string }
  bank: { name: string; iban: string; bic: string; routing: string; account: string }
}

/** The form before anything is typed. */
export const NO_SUPPLIER: SupplierDraft = {
  name: '',
  email: '',
  phone: '',
  address: '',
  note: '',
  taxNumber: '',
  taxCode: '',
  customerId: '',
  addresses: { orders: '', returns: '', checks: '' },
  contacts: [],
  terms: { net: '30', discountPercent: '0', discountDays: '0' },
  bank: { name: '', iban: '', bic: '', routing: '', account: '' },
}

/** As the call takes it. */
export const supplierBody = ({ terms, addresses, customerId, taxCode, ...d }: SupplierDraft) => ({
  ...d,
  taxCode: taxCode === '' ? null : taxCode,
  customerId: customerId === '' ? null : Number(customerId),
  addresses: SUPPLIER_ADDRESSES.flatMap((use) => (addresses[use].trim() === '' ? [] : [{ use, text: addresses[use] }])),
  terms: { ...terms, net: Number(terms.net), discountDays: Number(terms.discountDays) },
})
