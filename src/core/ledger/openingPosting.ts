import type { Day } from '../day'
import { isZeroMoney, negateMoney, sumMoney, zeroMoney, type Money } from '../money'
import { account, credit, debit, makeEntry, role, type EntryDraft, type EntryLine } from './entry'

/** What a business has and owes on the day its books begin. */
export interface OpeningBalances {
  readonly on: Day
  readonly text: string
  /** By account, in debit; negative in credit. */
  readonly accounts: readonly { readonly accountId: number; readonly isEquity: boolean; readonly amount: Money }[]
  readonly receivables: Money
  readonly payables: Money
  readonly held: Money
  /** Found in stock by a count of that day, which posted it against stock adjustments. */
  readonly stock: Money
  readonly currency: string
}

const linesOf = (o: OpeningBalances): readonly EntryLine[] => [
  ...o.accounts.map((a) => ({ account: account(a.accountId), amount: a.amount })),
  debit(role('receivables'), o.receivables),
  // A count posted it; it was there before, and is no gain of that day.
  debit(role('stock-adjustments'), o.stock),
  credit(role('payables'), o.payables),
  credit(role('on-account'), o.held),
]

/**
 * By how much opening balances are off: what is debited less what is credited. Zero where no account of equity is named: what is
 * left is the owner’s, and stands on “Opening balances”.
 *
 * @example bank 100.00 in debit, capital 90.00 in credit → 10.00; without the capital → 0.00
 */
export const openingDifference = (o: OpeningBalances): Money =>
  o.accounts.some((a) => a.isEquity)
    ? sumMoney(
        linesOf(o).map((l) => l.amount),
        o.currency,
      )
    : zeroMoney(o.currency)

/** The entry of opening balances that agree; what no account of equity says is the owner’s stands on “Opening balances”. */
export const postOpening = (o: OpeningBalances): EntryDraft => {
  const lines = linesOf(o)
  const sum = sumMoney(
    lines.map((l) => l.amount),
    o.currency,
  )
  const rest = isZeroMoney(sum) ? [] : [{ account: role('opening-balances'), amount: negateMoney(sum) }]
  return makeEntry(o.on, o.text, [...lines, ...rest])
}
