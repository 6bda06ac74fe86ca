import { present } from '@/core/present'
import type { Day } from '../day'
import { absMoney, negateMoney, shareInTurn, sumMoney, zeroMoney, type Money } from '../money'
import { account, makeEntry, role, type EntryDraft } from './entry'
import type { TaxPosting } from './postings'

/**
 * A tax return is paid, or what it comes to is paid back: the accounts of its taxes and of tax on purchases are cleared of it,
 * as far as it is paid, each in proportion. `due` is tax on sales less tax on purchases, negative
 * where money comes back; `paid` is positive either way and at most that.
 *
 * @example tax 8.25 on sales, 3.00 on purchases, 5.25 paid → 8.25 debited, tax on purchases 3.00 and the bank 5.25 credited
 */
export const postTaxPaid = ({
  on,
  text,
  accountId,
  taxes,
  purchases,
  due,
  paid,
}: {
  readonly on: Day
  readonly text: string
  readonly accountId: number
  readonly taxes: readonly TaxPosting[]
  readonly purchases: Money
  readonly due: Money
  readonly paid: Money
}): EntryDraft => {
  const { currency } = due
  const share = (m: Money): Money => shareInTurn(m, { whole: absMoney(due), before: zeroMoney(currency), part: paid })
  const bank = due.minor < 0n ? paid : negateMoney(paid)
  const [first, ...others] = [
    ...taxes.map((t) => ({ account: account(t.accountId), amount: share(t.amount) })),
    { account: role('tax-on-purchases'), amount: negateMoney(share(purchases)) },
  ]
  // In part, the first takes what rounding left; all paid, nothing is left.
  const rest = sumMoney([bank, ...others.map((l) => l.amount)], currency)
  return makeEntry(on, text, [
    { ...present(first), amount: negateMoney(rest) },
    ...others,
    { account: account(accountId), amount: bank },
  ])
}
