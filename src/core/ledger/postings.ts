import { addMoney, negateMoney, subtractMoney, sumMoney, type Money } from '../money'
import type { Day } from '../day'
import type { AccountRole } from './accounts'
import { account, credit, debit, makeEntry, role, type AccountRef, type EntryDraft, type EntryLine } from './entry'

/**
 * One function for each paper that counts: what it puts in the books. Each returns one balanced entry. The table they
 * follow stands in docs/architecture.md, "Papers and their entries".
 */

/** How money comes and goes. */
export const METHODS = ['cash', 'card', 'cheque', 'transfer'] as const
export type Method = (typeof METHODS)[number]

/** How what was owed was received: as money, or set off against what we owe the same people. */
export const RECEIPT_METHODS = [...METHODS, 'set-off'] as const
export type ReceiptMethod = (typeof RECEIPT_METHODS)[number]
/** What lies somewhere until it is taken to the bank, or comes from there by itself: cheques, and takings by card. */
export const TO_BANK_METHODS = ['cheque', 'card'] as const satisfies readonly ReceiptMethod[]
export type ToBankMethod = (typeof TO_BANK_METHODS)[number]

/** Where what was received lies until it is banked, settled or set off. */
export const accountOfMethod: Readonly<Record<ReceiptMethod, AccountRole>> = {
  cash: 'drawer',
  card: 'card-clearing',
  cheque: 'cheques',
  transfer: 'bank',
  'set-off': 'set-off',
}

export const HELD_KINDS = ['deposit', 'layaway', 'account'] as const
export type HeldKind = (typeof HELD_KINDS)[number]

/** The liability that money held for a customer stands in. */
export const accountOfHeld: Readonly<Record<HeldKind, AccountRole>> = {
  deposit: 'customer-deposits',
  layaway: 'layaway-deposits',
  account: 'on-account',
}

export interface BilledLine {
  readonly net: Money
  /** The part of `net` for stock goods not handed over yet: not income before it is. */
  readonly ahead: Money
  readonly incomeAccountId: number
}

export interface TaxPosting {
  readonly accountId: number
  readonly amount: Money
}

export interface HeldAmount {
  readonly kind: HeldKind
  readonly amount: Money
}

interface Billed {
  readonly on: Day
  readonly text: string
  readonly lines: readonly BilledLine[]
  readonly taxes: readonly TaxPosting[]
}

const incomeLines = (lines: readonly BilledLine[]): EntryLine[] =>
  lines.flatMap((l) => [
    credit(account(l.incomeAccountId), subtractMoney(l.net, l.ahead)),
    credit(role('billed-ahead'), l.ahead),
  ])

const grossOf = ({ lines, taxes }: Billed, currency: string): Money =>
  addMoney(
    sumMoney(
      lines.map((l) => l.net),
      currency,
    ),
    sumMoney(
      taxes.map((t) => t.amount),
      currency,
    ),
  )

/** Receivables (gross) to income by line account, billed ahead, and tax by component. */
export const postInvoice = (invoice: Billed, currency: string): EntryDraft =>
  makeEntry(invoice.on, invoice.text, [
    debit(role('receivables'), grossOf(invoice, currency)),
    ...incomeLines(invoice.lines),
    ...invoice.taxes.map((t) => credit(account(t.accountId), t.amount)),
  ])

/** An invoice and its receipt in one: the money's account instead of receivables. */
export const postCounterSale = (
  sale: Billed & { readonly method: Method; readonly rounding?: Money },
  currency: string,
): EntryDraft =>
  makeEntry(sale.on, sale.text, [
    debit(role(accountOfMethod[sale.method]), grossOf(sale, currency)),
    ...roundedIn(sale.method, sale.rounding),
    ...incomeLines(sale.lines),
    ...sale.taxes.map((t) => credit(account(t.accountId), t.amount)),
  ])

/** Held money put on an invoice: the liability falls, the customer owes less; in time it earns the discount as money would. */
export const postHeldUse = (use: HeldGoes & { readonly discount?: Discount }): EntryDraft =>
  makeEntry(use.on, use.text, [
    ...heldGoes(use, role('receivables')),
    ...(use.discount ? discountTaken(use.discount) : []),
    ...taxOnAhead(use.taxAhead),
  ])

/** Held money that goes somewhere, and the tax on it that is no longer owed ahead (negative). */
interface HeldGoes {
  readonly on: Day
  readonly text: string
  readonly held: readonly HeldAmount[]
  readonly taxAhead?: readonly TaxPosting[]
}

const heldGoes = ({ held }: HeldGoes, to: AccountRef): EntryLine[] =>
  held.flatMap((h) => [debit(role(accountOfHeld[h.kind]), h.amount), credit(to, h.amount)])

/** Held money moves to another sale, or between a sale and the account of the customer. Nothing is earned. */
export const postHeldMove = (
  move: HeldGoes & { readonly to: HeldKind; readonly taxThere: readonly TaxPosting[] },
): EntryDraft =>
  makeEntry(move.on, move.text, [
    ...heldGoes(move, role(accountOfHeld[move.to])),
    ...taxOnAhead(move.taxAhead),
    ...taxOnAhead(move.taxThere),
  ])

/** Held money kept as a fee when a sale is called off or a layaway given up. */
export const postKeptFee = (fee: HeldGoes): EntryDraft =>
  makeEntry(fee.on, fee.text, [...heldGoes(fee, role('cancellation-fees')), ...taxOnAhead(fee.taxAhead)])

/** Money came in: what pays dues lowers receivables, the rest is held for the customer. */
export const postReceipt = (receipt: {
  readonly on: Day
  readonly text: string
  readonly method: ReceiptMethod
  /** The account it came into, where that is another than its method’s. */
  readonly into?: number
  readonly onDues: Money
  readonly held: readonly HeldAmount[]
  /** Taken for paying early: the net to discounts, its tax back from the tax accounts. */
  readonly discount?: Discount
  /** What coins made more (or less) of it. */
  readonly rounding?: Money
  readonly taxAhead?: readonly TaxPosting[]
}): EntryDraft => {
  const whole = receipt.held.reduce((sum, h) => addMoney(sum, h.amount), receipt.onDues)
  return makeEntry(receipt.on, receipt.text, [
    debit(receipt.into === undefined ? role(accountOfMethod[receipt.method]) : account(receipt.into), whole),
    credit(role('receivables'), receipt.onDues),
    ...(receipt.discount ? discountTaken(receipt.discount) : []),
    ...roundedIn(receipt.method, receipt.rounding),
    ...receipt.held.map((h) => credit(role(accountOfHeld[h.kind]), h.amount)),
    ...taxOnAhead(receipt.taxAhead),
  ])
}

export interface Discount {
  readonly net: Money
  readonly taxes: readonly TaxPosting[]
}

const discountTaken = (d: Discount): EntryLine[] => [
  debit(role('sales-discounts'), d.net),
  ...d.taxes.map((t) => debit(account(t.accountId), t.amount)),
  credit(role('receivables'), sumMoney([d.net, ...d.taxes.map((t) => t.amount)], d.net.currency)),
]

/** Coins made the money that came in this much more (negative: less). */
const roundedIn = (method: ReceiptMethod, rounding: Money | undefined): EntryLine[] =>
  rounding ? [debit(role(accountOfMethod[method]), rounding), credit(role('rounding'), rounding)] : []

/**
 * Where tax is due on money ahead: its tax share is owed when it comes (positive) and no longer when it is used or given
 * back (negative), while the money itself stays held in full.
 */
export const taxOnAhead = (taxes: readonly TaxPosting[] = []): EntryLine[] =>
  taxes.flatMap((t) => [debit(role('tax-on-deposits'), t.amount), credit(account(t.accountId), t.amount)])

/**
 * Sales returned and tax, mirrored from the invoice; on what is still open first, then on what was written off, and what
 * was really paid is held on account.
 */
export const postCreditNote = (note: {
  readonly on: Day
  readonly text: string
  readonly net: Money
  /** The part of `net` that was billed ahead and is taken back from there, never having been income. */
  readonly ahead: Money
  readonly taxes: readonly TaxPosting[]
  readonly onReceivables: Money
  /** Money that had really been paid: held for the customer from then on. */
  readonly onAccount: Money
  /** Of what had been written off: the loss is undone, and the tax taken back with it is owed again. */
  readonly writtenOff: Discount
  /** Of the discount for paying early: it shrinks with what it was given on. */
  readonly discount: Discount
}): EntryDraft =>
  makeEntry(note.on, note.text, [
    debit(role('sales-returns'), subtractMoney(note.net, note.ahead)),
    debit(role('billed-ahead'), note.ahead),
    ...note.taxes.map((t) => debit(account(t.accountId), t.amount)),
    credit(role('receivables'), note.onReceivables),
    credit(role('bad-debts'), note.writtenOff.net),
    credit(role('sales-discounts'), note.discount.net),
    ...[...note.writtenOff.taxes, ...note.discount.taxes].map((t) => credit(account(t.accountId), t.amount)),
    credit(role('on-account'), note.onAccount),
  ])

/** Goods left: their cost leaves stock; what was billed ahead for them becomes income. */
export const postHandover = (handover: {
  readonly on: Day
  readonly text: string
  readonly cost: Money
  readonly earned: readonly { readonly incomeAccountId: number; readonly amount: Money }[]
}): EntryDraft =>
  makeEntry(handover.on, handover.text, [
    debit(role('cost-of-goods-sold'), handover.cost),
    credit(role('stock'), handover.cost),
    ...handover.earned.flatMap((e) => [
      debit(role('billed-ahead'), e.amount),
      credit(account(e.incomeAccountId), e.amount),
    ]),
  ])

/** Goods came back to the shelf, at the cost they left with. */
export const postGoodsBack = (back: { readonly on: Day; readonly text: string; readonly cost: Money }): EntryDraft =>
  makeEntry(back.on, back.text, [debit(role('stock'), back.cost), credit(role('cost-of-goods-sold'), back.cost)])

/** Held money given back. */
export const postRefund = (
  refund: HeldGoes & {
    readonly method: Method
    /** What coins made more of it. */ readonly rounding?: Money
  },
): EntryDraft =>
  makeEntry(refund.on, refund.text, [
    ...heldGoes(refund, role(accountOfMethod[refund.method])),
    ...roundedIn(refund.method, refund.rounding && negateMoney(refund.rounding)),
    ...taxOnAhead(refund.taxAhead),
  ])

/** A count found more (positive value) or less (negative) than the books had. */
export const postStockChange = (count: {
  readonly on: Day
  readonly text: string
  readonly value: Money
}): EntryDraft =>
  makeEntry(count.on, count.text, [debit(role('stock'), count.value), credit(role('stock-adjustments'), count.value)])
