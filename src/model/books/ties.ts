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
  /** The list of the documents on that day; null where no list adds up to them. */
  readonly documents: string | null
  /** The account they are posted to, or what all accounts come to. */
  readonly inTheBooks: string
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
  const accountOf = (role: string): number | undefined => accounts.find((a) => a.role === role)?.id
  const trial = `/books?view=trial-balance&asOf=${asOf}`
  const tie = (
    name: string,
    subledger: Money,
    role: string,
    side: 'debit' | 'credit',
    documents: string | null = null,
  ): Tie => {
    const id = accountOf(role)
    const debit = inDebit(sums, id, currency)
    const account = side === 'debit' ? debit : negateMoney(debit)
    const inTheBooks = id === undefined ? trial : `/books/accounts/${id}?to=${asOf}`
    return { name, documents, inTheBooks, subledger, account, difference: subtractMoney(subledger, account) }
  }
  const debits = sumMoney(
    sums.map((s) => s.debit),
    currency,
  )
  const credits = sumMoney(
    sums.map((s) => s.credit),
    currency,
  )
  const day = `asOf=${asOf}`
  return [
    tie('Receivables: unpaid invoices', papers.receivables, 'receivables', 'debit', `/owed?${day}`),
    tie('Held: deposits by sale', papers.held.deposit, 'customer-deposits', 'credit', `/owed/held?${day}`),
    tie('Held: layaway by sale', papers.held.layaway, 'layaway-deposits', 'credit', `/owed/held?${day}`),
    tie('Held: on account by customer', papers.held.account, 'on-account', 'credit', `/owed/held?${day}`),
    tie('Invoiced ahead: invoices less handovers', papers.ahead, 'billed-ahead', 'credit'),
    tie('Finance charges: payment plans', papers.unearned, 'unearned-charges', 'credit'),
    tie('Tax on deposits: money paid in advance', papers.taxAhead, 'tax-on-deposits', 'debit'),
    tie('Stock: goods on hand', papers.stock, 'stock', 'debit', `/goods/stock?${day}`),
    tie('Payables: unpaid bills', buying.payables, 'payables', 'credit', `/buying/payables?${day}`),
    tie('Goods received less billed', buying.received, 'received-not-billed', 'credit', `/buying/not-invoiced?${day}`),
    tie('Paid in advance to suppliers', buying.ahead, 'paid-ahead', 'debit'),
    tie('Set off: nothing stays between', zeroMoney(currency), 'set-off', 'debit'),
    {
      name: 'Trial balance: debits and credits',
      documents: trial,
      inTheBooks: trial,
      subledger: debits,
      account: credits,
      difference: subtractMoney(debits, credits),
    },
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
