import { isEmptyRow } from '../form/isEmptyRow'

/** An address as the form holds it. */
export interface AddressDraft {
  kind: 'bill-to' | 'deliver-to'
  text: string
  isDefault: boolean
  instructions: string
  taxArea: string
}

export interface ContactDraft {
  name: string
  role: string
  email: string
  phone: string
}

/** A customer as the form holds them: the shape of the call, with text wherever something is typed. */
export interface CustomerDraft {
  name: string
  contact: string
  email: string
  phone: string
  kind: string
  note: string
  terms: { net: string; discountPercent: string; discountDays: string }
  taxExempt: boolean
  exemptNumber: string
  exemptUntil: string
  priceLevel: string
  language: 'en' | 'de' | 'fr' | 'es' | 'he'
  tags: string
  creditLimit: string
  addresses: AddressDraft[]
  contacts: ContactDraft[]
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
  terms: { net: '0', discountPercent: '', discountDays: '' },
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

/** A whole number of days where one is typed; otherwise what is typed, which is refused with a sentence. */
const days = (typed: string): number => (/^\d+$/.test(typed) ? Number(typed) : typed === '' ? 0 : Number.NaN)

/** Words with commas between them. */
export const splitTags = (typed: string): string[] =>
  typed
    .split(',')
    .map((t) => t.trim())
    .filter(Boolean)

/** As the call takes it. */
export const customerBody = ({ terms, ...c }: CustomerDraft) => ({
  ...c,
  terms: {
    net: days(terms.net),
    ...(terms.discountPercent ? { discountPercent: terms.discountPercent } : {}),
    ...(terms.discountDays ? { discountDays: days(terms.discountDays) } : {}),
  },
  exemptUntil: c.exemptUntil || null,
  tags: splitTags(c.tags),
  creditLimit: c.creditLimit || null,
})

export const isNoAddress = ({ text, instructions }: AddressDraft): boolean => isEmptyRow({ text, instructions })
