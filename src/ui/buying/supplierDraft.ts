/** A supplier as the form holds them: the shape of the call, with text wherever something is typed. */
export interface SupplierDraft {
  name: string
  email: string
  phone: string
  address: string
  note: string
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
  terms: { net: '30', discountPercent: '0', discountDays: '0' },
  bank: { name: '', iban: '', bic: '', routing: '', account: '' },
}
