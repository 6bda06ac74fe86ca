import type { Day } from '../day'
import { addMoney, subtractMoney, type Money } from '../money'
import { account, credit, debit, makeEntry, role, type EntryDraft } from './entry'

interface Posting {
  readonly on: Day
  readonly text: string
}

/** Goods came from a supplier: they are worth `value`, and owed on “goods received, not invoiced” until the invoice is there. */
export const postGoodsReceived = ({ on, text, value }: Posting & { readonly value: Money }): EntryDraft =>
  makeEntry(on, text, [debit(role('stock'), value), credit(role('received-not-billed'), value)])

/**
 * Goods go back to a supplier: they leave stock at what they cost, and what they came in at is taken off “goods received, not
 * invoiced”. Where the two differ, the difference is cost of goods sold.
 */
export const postGoodsReturned = ({
  on,
  text,
  value,
  cost,
}: Posting & { readonly value: Money; readonly cost: Money }): EntryDraft =>
  makeEntry(on, text, [
    debit(role('received-not-billed'), value),
    debit(role('cost-of-goods-sold'), subtractMoney(cost, value)),
    credit(role('stock'), cost),
  ])

/** A supplier's credit: what it takes off their bill, and the rest that they owe us, as if it was paid in advance. */
export interface SupplierCreditPosting extends Posting {
  readonly filled: Money
  readonly ahead: Money
  /** What of goods that went back it settles. */
  readonly cleared: Money
  readonly fromStock: Money
  readonly fromCost: Money
  readonly accounts: readonly { readonly accountId: number; readonly net: Money }[]
  readonly tax: Money
}

export const postSupplierCredit = (c: SupplierCreditPosting): EntryDraft =>
  makeEntry(c.on, c.text, [
    debit(role('payables'), c.filled),
    debit(role('paid-ahead'), c.ahead),
    credit(role('received-not-billed'), c.cleared),
    credit(role('stock'), c.fromStock),
    credit(role('cost-of-goods-sold'), c.fromCost),
    ...c.accounts.map((a) => credit(account(a.accountId), a.net)),
    credit(role('tax-on-purchases'), c.tax),
  ])

/** A supplier's bill: what it clears, where its price differs, what goes to accounts, tax paid; owed in one sum. */
export interface BillPosting extends Posting {
  readonly cleared: Money
  readonly toStock: Money
  readonly toCost: Money
  readonly accounts: readonly { readonly accountId: number; readonly net: Money }[]
  readonly tax: Money
  readonly gross: Money
}

export const postBill = (b: BillPosting): EntryDraft =>
  makeEntry(b.on, b.text, [
    debit(role('received-not-billed'), b.cleared),
    debit(role('stock'), b.toStock),
    debit(role('cost-of-goods-sold'), b.toCost),
    ...b.accounts.map((a) => debit(account(a.accountId), a.net)),
    debit(role('tax-on-purchases'), b.tax),
    credit(role('payables'), b.gross),
  ])

/** Tax that we owe ourselves on what a supplier billed without it: owed by component, and ours to take off again. Negative: less. */
export const postOwnTax = ({
  on,
  text,
  taxes,
}: Posting & { readonly taxes: readonly { readonly accountId: number; readonly amount: Money }[] }): EntryDraft =>
  makeEntry(on, text, [
    ...taxes.map((t) => debit(role('tax-on-purchases'), t.amount)),
    ...taxes.map((t) => credit(account(t.accountId), t.amount)),
  ])

/** Money that was paid to a supplier in advance is used for a bill. */
export const postAheadUsed = ({ on, text, amount }: Posting & { readonly amount: Money }): EntryDraft =>
  makeEntry(on, text, [debit(role('payables'), amount), credit(role('paid-ahead'), amount)])

/** Money that goes to a supplier: for bills, with what they let off for paying early (and its tax), or in advance. */
export interface SupplierPaymentPosting extends Posting {
  readonly accountId: number
  /** For bills and in advance, together what leaves the account. */
  readonly paid: Money
  readonly ahead: Money
  readonly discount: { readonly net: Money; readonly tax: Money }
}

export const postSupplierPayment = (p: SupplierPaymentPosting): EntryDraft =>
  makeEntry(p.on, p.text, [
    debit(role('payables'), addMoney(p.paid, addMoney(p.discount.net, p.discount.tax))),
    debit(role('paid-ahead'), p.ahead),
    credit(account(p.accountId), addMoney(p.paid, p.ahead)),
    credit(role('purchase-discounts'), p.discount.net),
    credit(role('tax-on-purchases'), p.discount.tax),
  ])

/** A cost leaves its account for goods that came: stock for those still here, else cost of goods sold. */
export const postLandedCost = ({
  on,
  text,
  accountId,
  toStock,
  toCost,
}: Posting & { readonly accountId: number; readonly toStock: Money; readonly toCost: Money }): EntryDraft =>
  makeEntry(on, text, [
    debit(role('stock'), toStock),
    debit(role('cost-of-goods-sold'), toCost),
    credit(account(accountId), addMoney(toStock, toCost)),
  ])
