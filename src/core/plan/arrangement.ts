import type { Decimal, Money } from '../money'
import type { Day } from '../day'

export type Rhythm = 'week' | 'two-weeks' | 'month' | { readonly days: number }

/** A part of a total: a percentage (0 to 100) of it, or an amount. */
export type Part = { readonly percent: Decimal } | { readonly amount: Money }

export type Charge =
  | { readonly flat: Money }
  | { readonly flatPercent: Decimal }
  /** A fraction a year on the falling balance: 0.12 for 12 %. */
  | { readonly yearlyRate: Decimal }

export interface InstallmentTerms {
  readonly kind: 'installments'
  readonly firstPayment?: Money
  readonly count: number
  readonly every: Rhythm
  readonly firstDue: Day
  /** Each payment is rounded up to a multiple of this many major units; the last takes the rest. */
  readonly roundUpTo?: number
  readonly charge?: Charge
}

export interface LayawayTerms {
  readonly kind: 'layaway'
  readonly first?: Part
  readonly months: number
  readonly every: Rhythm
}
