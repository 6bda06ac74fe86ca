import type { Day } from '../day'
import type { Money } from '../money'

export const SETTLE_KINDS = [
  'receipt',
  'banking-slip',
  'card-takings',
  'supplier-payment',
  'due',
  'bill',
  'transfer',
  'account',
  'entry',
  'customer',
  'supplier',
] as const
export type SettleKind = (typeof SETTLE_KINDS)[number]

/** What a line is, or a part of it: something that is in the books already, or something to enter. */
export interface Settle {
  readonly kind: SettleKind
  readonly id?: number
  readonly accountId?: number
  /** Receipts that make a slip or a payout that is not entered yet. */
  readonly receiptIds?: readonly number[]
  /** Without sign; all of a line add up to it. */
  readonly amount: Money
  readonly taxCode?: string
}

export interface Proposal {
  readonly lineId: number
  /** How sure it is, between 0 and 1. */
  readonly degree: number
  readonly why: string
  readonly settles: readonly Settle[]
  /** What a card company kept of takings. */
  readonly fee?: Money
}

export interface OpenLine {
  readonly id: number
  readonly on: Day
  /** Positive came in. */
  readonly amount: Money
  readonly text: string
}

/** Something in the books on this account that no line is yet. */
export interface Posted {
  readonly kind: SettleKind
  readonly id: number
  readonly on: Day
  readonly amount: Money
  readonly name: string
  readonly number: string
  /** What it is called. */
  readonly says: string
}

/** Something that is owed: by a customer (positive), or to a supplier (negative). */
export interface Owed {
  readonly kind: 'due' | 'bill'
  readonly id: number
  readonly partyId: number
  readonly party: string
  readonly number: string
  readonly from: Day
  readonly dueOn: Day
  /** The sale it is of; none on bills. */
  readonly saleId: number | null
  readonly open: Money
  /** What is enough where it is paid by a day. */
  readonly early: { readonly amount: Money; readonly through: Day } | null
}

/** A check or card payment that is not at the bank yet. */
export interface OnTheWay {
  readonly receiptId: number
  readonly method: 'cheque' | 'card'
  readonly on: Day
  readonly amount: Money
}

/** A line of another account of the business that is open. */
export interface Elsewhere {
  readonly accountId: number
  readonly account: string
  readonly on: Day
  readonly amount: Money
}

/** What the owner said a text means; or, without `always`, what they made of it before. */
export interface Rule {
  readonly contains: string
  readonly accountId: number
  readonly account: string
  readonly taxCode?: string
  /** Said by the owner; else learned, and the whole text must be the same. */
  readonly said: boolean
}

export interface BankFacts {
  readonly posted: readonly Posted[]
  readonly owed: readonly Owed[]
  readonly onTheWay: readonly OnTheWay[]
  readonly elsewhere: readonly Elsewhere[]
  readonly rules: readonly Rule[]
}

/** A proposal with what it uses up, so that no two lines are the same thing. */
export interface Found extends Proposal {
  readonly uses: readonly string[]
}
