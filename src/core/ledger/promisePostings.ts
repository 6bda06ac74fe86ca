import { addMoney, subtractMoney, sumMoney, type Money } from '../money'
import type { Day } from '../day'
import type { AccountRole } from './accounts'
import { account, credit, debit, makeEntry, role, type EntryDraft } from './entry'
import {
  accountOfHeld,
  accountOfMethod,
  taxOnAhead,
  type Discount,
  type HeldAmount,
  type Method,
  type ReceiptMethod,
  type TaxPosting,
} from './postings'

/** What promises of money, the drawer and the way to the bank put in the books; one function for each paper. */
interface Posting {
  readonly on: Day
  readonly text: string
}

/** The whole charge of a plan is owed from its start, and earned later. */
export const postChargeAdded = (p: Posting & { readonly amount: Money }): EntryDraft =>
  makeEntry(p.on, p.text, [debit(role('receivables'), p.amount), credit(role('unearned-charges'), p.amount)])

/** A period's charge is earned. */
export const postChargeEarned = (p: Posting & { readonly amount: Money }): EntryDraft =>
  makeEntry(p.on, p.text, [debit(role('unearned-charges'), p.amount), credit(role('charge-income'), p.amount)])

/**
 * A plan ends early: what is given back is no longer owed (or, where more was paid ahead, is held on account), the rest
 * of what was not earned yet is earned now; less than nothing where the rows had earned ahead of the days.
 */
export const postPayoff = (
  p: Posting & { readonly unearned: Money; readonly offReceivables: Money; readonly onAccount: Money },
): EntryDraft =>
  makeEntry(p.on, p.text, [
    debit(role('unearned-charges'), p.unearned),
    credit(role('receivables'), p.offReceivables),
    credit(role('on-account'), p.onAccount),
    credit(role('charge-income'), subtractMoney(subtractMoney(p.unearned, p.offReceivables), p.onAccount)),
  ])

/** A charge of its own: for being late, or for a cheque that came back. */
export const postExtraCharge = (p: Posting & { readonly amount: Money; readonly income: AccountRole }): EntryDraft =>
  makeEntry(p.on, p.text, [debit(role('receivables'), p.amount), credit(role(p.income), p.amount)])

/** A debt given up: the loss, and its tax back where that is allowed. */
export const postWriteOff = (p: Posting & Discount): EntryDraft =>
  makeEntry(p.on, p.text, [
    debit(role('bad-debts'), p.net),
    ...p.taxes.map((t) => debit(account(t.accountId), t.amount)),
    credit(role('receivables'), sumMoney([p.net, ...p.taxes.map((t) => t.amount)], p.net.currency)),
  ])

/** A refund that was a mistake: the money is back where it went from, and held again. */
export const postRefundVoid = (
  p: Posting & {
    readonly method: Method
    readonly held: readonly HeldAmount[]
    /** What coins had made more of what was paid out. */
    readonly rounding: Money
    readonly taxAhead: readonly TaxPosting[]
  },
): EntryDraft =>
  makeEntry(p.on, p.text, [
    ...p.held.flatMap((h) => [
      debit(role(accountOfMethod[p.method]), h.amount),
      credit(role(accountOfHeld[h.kind]), h.amount),
    ]),
    debit(role(accountOfMethod[p.method]), p.rounding),
    credit(role('rounding'), p.rounding),
    ...taxOnAhead(p.taxAhead),
  ])

/** A fee that was kept of held money by mistake is held again. */
export const postFeeReversed = (
  p: Posting & { readonly held: readonly HeldAmount[]; readonly taxAhead: readonly TaxPosting[] },
): EntryDraft =>
  makeEntry(p.on, p.text, [
    ...p.held.flatMap((h) => [
      debit(role('cancellation-fees'), h.amount),
      credit(role(accountOfHeld[h.kind]), h.amount),
    ]),
    ...taxOnAhead(p.taxAhead),
  ])

/**
 * Money that seemed to have come did not: it leaves the account it lies in now, and what it had paid is owed again. What
 * it had been held as is held no more; what of that was used meanwhile is owed again too.
 */
export const postBounce = (
  p: Posting & {
    /** Where it lies: an account by its id, the bank, or what it was taken as. */
    readonly from: 'bank' | ReceiptMethod | number
    readonly amount: Money
    /** What coins had made more of it. */
    readonly rounding: Money
    readonly owedAgain: Money
    readonly held: readonly HeldAmount[]
    readonly discount: Discount
    readonly taxAhead: readonly TaxPosting[]
    /** What the bank took for it. */
    readonly bankFee: Money
  },
): EntryDraft =>
  makeEntry(p.on, p.text, [
    debit(role('receivables'), p.owedAgain),
    ...p.held.map((h) => debit(role(accountOfHeld[h.kind]), h.amount)),
    credit(
      typeof p.from === 'number' ? account(p.from) : role(p.from === 'bank' ? 'bank' : accountOfMethod[p.from]),
      addMoney(p.amount, p.rounding),
    ),
    debit(role('rounding'), p.rounding),
    credit(role('sales-discounts'), p.discount.net),
    ...p.discount.taxes.map((t) => credit(account(t.accountId), t.amount)),
    ...taxOnAhead(p.taxAhead),
    debit(role('bank-fees'), p.bankFee),
    credit(role('bank'), p.bankFee),
  ])

/** Cash put in (positive) or taken out (negative), for or from another account. */
export const postDrawerMove = (p: Posting & { readonly amount: Money; readonly accountId: number }): EntryDraft =>
  makeEntry(p.on, p.text, [debit(role('drawer'), p.amount), credit(account(p.accountId), p.amount)])

/** The drawer was counted: more (positive) or less (negative) than the books say. */
export const postDrawerCount = (p: Posting & { readonly over: Money }): EntryDraft =>
  makeEntry(p.on, p.text, [debit(role('drawer'), p.over), credit(role('over-short'), p.over)])

/** Cash and cheques go to the bank as one sum. */
export const postBankingSlip = (p: Posting & { readonly cash: Money; readonly cheques: Money }): EntryDraft =>
  makeEntry(p.on, p.text, [
    debit(role('bank'), sumMoney([p.cash, p.cheques], p.cash.currency)),
    credit(role('drawer'), p.cash),
    credit(role('cheques'), p.cheques),
  ])

/** Card takings arrive at the bank, less what the card company keeps. */
export const postCardSettlement = (p: Posting & { readonly gross: Money; readonly fees: Money }): EntryDraft =>
  makeEntry(p.on, p.text, [
    debit(role('bank'), subtractMoney(p.gross, p.fees)),
    debit(role('card-fees'), p.fees),
    credit(role('card-clearing'), p.gross),
  ])

/** A move of held money is taken back: what lies where it went is held again where it came from. */
export const postHeldReturn = (
  p: Posting & {
    readonly from: readonly HeldAmount[]
    readonly held: readonly HeldAmount[]
    readonly taxAhead: readonly TaxPosting[]
  },
): EntryDraft =>
  makeEntry(p.on, p.text, [
    ...p.from.map((h) => debit(role(accountOfHeld[h.kind]), h.amount)),
    ...p.held.map((h) => credit(role(accountOfHeld[h.kind]), h.amount)),
    ...taxOnAhead(p.taxAhead),
  ])
