import type { Day } from '../day'
import { negateMoney, sumMoney, type Money } from '../money'
import { account, makeEntry, role, type EntryDraft, type EntryLine } from './entry'
import { inDebit, type AccountSum } from './reports'

const isOfProfit = (s: AccountSum): boolean => s.kind === 'income' || s.kind === 'expense'

/**
 * The entry that closes a year: every account of income and expense is brought to zero for the year, and what they come to
 * (a profit in credit, a loss in debit) goes to retained earnings. `sums` are of the year alone, whatever stood before it.
 * No lines where nothing was earned or spent.
 *
 * @example sales 100.00 in credit, rent 30.00 in debit → sales 100.00 debited, rent 30.00 and retained earnings 70.00 credited
 */
export const postYearEnd = ({
  on,
  text,
  sums,
  currency,
}: {
  readonly on: Day
  readonly text: string
  readonly sums: readonly AccountSum[]
  readonly currency: string
}): EntryDraft => {
  const closed = sums.filter(isOfProfit).map((s): EntryLine => ({
    account: account(s.id),
    amount: negateMoney(inDebit(s)),
  }))
  const all: Money = sumMoney(
    closed.map((l) => l.amount),
    currency,
  )
  return makeEntry(on, text, [...closed, { account: role('retained-earnings'), amount: negateMoney(all) }])
}

/**
 * Two accounts become one: what the first holds moves to the second.
 *
 * @example 12.00 in debit on the first → the second debited with it, the first credited
 */
export const postMergedAccounts = ({
  on,
  text,
  from,
  into,
  holds,
}: {
  readonly on: Day
  readonly text: string
  readonly from: number
  readonly into: number
  /** In debit; negative in credit. */
  readonly holds: Money
}): EntryDraft =>
  makeEntry(on, text, [
    { account: account(into), amount: holds },
    { account: account(from), amount: negateMoney(holds) },
  ])
