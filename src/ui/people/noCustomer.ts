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
  readonly creditLimit: string
  readonly billTo: string
  readonly deliverTo: readonly string[]
}

/** The form before anything is typed. */
export const NO_CUSTOMER: CustomerDraft = {
  name: '', contact: '', email: '', phone: '', kind: '', note: '', net: '0', discountPercent: '', discountDays: '', taxExempt: false, exemptNumber: '', exemptUntil: '', creditLimit: '', billTo: '', deliverTo: [''],
} // prettier-ignore
