import { type Money, subtractMoney, zeroMoney, sumMoney, negateMoney, toDecimalString } from '@/core/money'
import type { AccountSum } from '@/core/ledger'
import type { Db } from '@/data/connect'
import type { Day } from '@/core/day'
import { sumAccounts } from '@/data/queries/balances'
import { listAccounts } from '@/data/queries/accounts'
import { sumBuying } from '@/data/queries/bill'
import { sumSubledgers } from '@/data/queries/receivables'

export interface Tie {
  readonly name: string
  readonly subledger: Money
  readonly account: Money
  readonly difference: Money
}

export const inDebit = (sums: readonly AccountSum[], id: number | undefined, currency: string): Money => {
  const sum = sums.find((s) => s.id === id)
  return sum ? subtractMoney(sum.debit, sum.credit) : zeroMoney(currency)
}

/** What the papers say beside what the accounts say, as of a day. Every difference is always zero. */
export const readTies = async (db: Db, asOf: Day, currency: string): Promise<Tie[]> => {
  const [sums, accounts, papers, buying] = await Promise.all([
    sumAccounts(db, { to: asOf }, currency),
    listAccounts(db),
    sumSubledgers(db, asOf, currency),
    sumBuying(db, asOf, currency),
  ])
  const balance = (role: string): Money => inDebit(sums, accounts.find((a) => a.role === role)?.id, currency)
  const tie = (name: string, subledger: Money, account: Money): Tie => ({
    name,
    subledger,
    account,
    difference: subtractMoney(subledger, account),
  })
  const debits = sumMoney(
    sums.map((s) => s.debit),
    currency,
  )
  const credits = sumMoney(
    sums.map((s) => s.credit),
    currency,
  )
  return [
    tie('Receivables: unpaid invoices', papers.receivables, balance('receivables')),
    tie('Held: deposits by sale', papers.held.deposit, negateMoney(balance('customer-deposits'))),
    tie('Held: layaway by sale', papers.held.layaway, negateMoney(balance('layaway-deposits'))),
    tie('Held: on account by customer', papers.held.account, negateMoney(balance('on-account'))),
    tie('Invoiced ahead: invoices less handovers', papers.ahead, negateMoney(balance('billed-ahead'))),
    tie('Finance charges: payment plans', papers.unearned, negateMoney(balance('unearned-charges'))),
    tie('Tax on deposits: money paid in advance', papers.taxAhead, balance('tax-on-deposits')),
    tie('Stock: goods on hand', papers.stock, balance('stock')),
    tie('Payables: unpaid bills', buying.payables, negateMoney(balance('payables'))),
    tie('Goods received less billed', buying.received, negateMoney(balance('received-not-billed'))),
    tie('Paid in advance to suppliers', buying.ahead, balance('paid-ahead')),
    tie('Set off: nothing stays between', zeroMoney(currency), balance('set-off')),
    tie('Trial balance: debits and credits', debits, credits),
  ]
}

export const tiesView = async (db: Db, asOf: Day, currency: string) => ({
  asOf,
  ties: (await readTies(db, asOf, currency)).map((t) => ({
    name: t.name,
    subledger: toDecimalString(t.subledger),
    account: toDecimalString(t.account),
    difference: toDecimalString(t.difference),
  })),
})
