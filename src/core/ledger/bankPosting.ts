import type { Day } from '../day'
import { negateMoney, sumMoney, type Money } from '../money'
import { account, makeEntry, role, type EntryDraft } from './entry'
import type { TaxPosting } from './postings'

/** What a line of a statement is by accounts: each part with the tax in it, to its accounts, in the sign of the line. */
export interface BankLinePart {
  readonly accountId: number
  /** Without its tax; positive came in. */
  readonly net: Money
  /** Tax charged in what came in, by component. */
  readonly taxes: readonly TaxPosting[]
  /** Tax paid in what went out; negative as the line is. */
  readonly purchaseTax: Money
}

/**
 * A line of a statement that is income, an expense, or money to or from another account: the bank on one side, the accounts and
 * the tax in it on the other.
 *
 * @example 54.13 out for power, 4.13 tax in it → power 50.00 and tax on purchases 4.13 debited, the bank 54.13 credited
 */
export const postBankLine = ({
  on,
  text,
  bankId,
  parts,
}: {
  readonly on: Day
  readonly text: string
  readonly bankId: number
  readonly parts: readonly BankLinePart[]
}): EntryDraft => {
  const others = parts.flatMap((p) => [
    { account: account(p.accountId), amount: negateMoney(p.net) },
    ...p.taxes.map((t) => ({ account: account(t.accountId), amount: negateMoney(t.amount) })),
    { account: role('tax-on-purchases'), amount: negateMoney(p.purchaseTax) },
  ])
  const [first] = parts
  const sum = first
    ? sumMoney(
        others.map((l) => l.amount),
        first.net.currency,
      )
    : null
  return makeEntry(on, text, sum ? [{ account: account(bankId), amount: negateMoney(sum) }, ...others] : [])
}
