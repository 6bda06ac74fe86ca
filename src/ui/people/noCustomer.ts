/** An address as the form holds it. */
export interface AddressDraft {
  readonly kind: 'bill-to' | 'deliver-to'
  readonly text: string
  readonly isDefault: boolean
  readonly instructions: string
  readonly taxArea: string
}

export interface ContactDraft {
  readonly name: string
  readonly role: string
  readonly email: string
  readonly phone: string
}

/** A customer as the form holds them. */
export interface CustomerDraft {
  readonly name: string
  readonly contact: string
  readonly email: string
  readonly phone: string
  readonly kind: string
  readonly note: string
  readonly net: string
  readonly discountPercent: string
  readonly discountDays: string
  readonly taxExempt: boolean
  readonly exemptNumber: string
  readonly exemptUntil: string
  readonly priceLevel: string
  readonly language: string
  readonly tags: string
  readonly creditLimit: string
  readonly addresses: readonly AddressDraft[]
  readonly contacts: readonly ContactDraft[]
}

export const emptyAddress = (kind: AddressDraft['kind']): AddressDraft => ({
  kind,
  text: '',
  isDefault: false,
  instructions: '',
  taxArea: '',
})
export const NO_CONTACT: ContactDraft = { name: '', role: '', email: '', phone: '' }

/** The form before anything is typed. */
export const NO_CUSTOMER: CustomerDraft = {
  name: '',
  contact: '',
  email: '',
  phone: '',
  kind: '',
  note: '',
  net: '0',
  discountPercent: '',
  discountDays: '',
  taxExempt: false,
  exemptNumber: '',
  exemptUntil: '',
  priceLevel: '',
  language: 'en',
  tags: '',
  creditLimit: '',
  addresses: [emptyAddress('bill-to')],
  contacts: [],
}
