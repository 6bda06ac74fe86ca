import type { Day } from '@/core/day'
import { balanceSheet, profitAndLoss, trialBalance, type AccountSum, type ReportRow } from '@/core/ledger'
import {
  addMoney,
  isZeroMoney,
  money,
  negateMoney,
  subtractMoney,
  sumMoney,
  toDecimalString,
  zeroMoney,
  type Money,
} from '@/core/money'
import type { Db } from '@/data/connect'
import { listAccounts } from '@/data/queries/accounts'
import type { Business } from '@/data/queries/business'
import { sumTax } from '@/data/queries/invoices'
import { sumAccounts, type EntryView } from '@/data/queries/ledger'
import { ageBy, sumSubledgers, type AgeGroup } from '@/data/queries/receivables'

export const viewOfEntry = (e: EntryView) => ({
  id: e.id,
  on: e.on,
  text: e.text,
  source: { kind: e.sourceKind, id: e.sourceId },
  saleId: e.saleId,
  reverses: e.reversesId,
  lines: e.lines.map((l) => ({
    account: l.code,
    name: l.account,
    debit: toDecimalString(l.amount.minor > 0n ? l.amount : money(0n, l.amount.currency)),
    credit: toDecimalString(l.amount.minor < 0n ? negateMoney(l.amount) : money(0n, l.amount.currency)),
  })),
})

export const readTrialBalance = async (db: Db, asOf: Day, currency: string) =>
  trialBalance(await sumAccounts(db, { to: asOf }, currency), currency)
export const readProfitAndLoss = async (db: Db, span: { from: Day; to: Day }, currency: string) =>
  profitAndLoss(await sumAccounts(db, span, currency), currency)
export const readBalanceSheet = async (db: Db, asOf: Day, currency: string) =>
  balanceSheet(await sumAccounts(db, { to: asOf }, currency), currency)

const row = (r: ReportRow) => ({ account: r.code, name: r.name, amount: toDecimalString(r.amount) })

export const trialBalanceView = async (db: Db, asOf: Day, currency: string) => {
  const t = await readTrialBalance(db, asOf, currency)
  return {
    asOf,
    rows: t.rows.map((r) => ({
      account: r.code,
      name: r.name,
      debit: toDecimalString(r.debit),
      credit: toDecimalString(r.credit),
    })),
    totals: { debit: toDecimalString(t.debit), credit: toDecimalString(t.credit) },
    difference: toDecimalString(t.difference),
  }
}

export const profitAndLossView = async (db: Db, span: { from: Day; to: Day }, currency: string) => {
  const p = await readProfitAndLoss(db, span, currency)
  return {
    ...span,
    income: p.income.map(row),
    costOfGoods: p.costOfGoods.map(row),
    expenses: p.expenses.map(row),
    totals: {
      income: toDecimalString(p.totalIncome),
      grossProfit: toDecimalString(p.grossProfit),
      expenses: toDecimalString(p.totalExpenses),
      profit: toDecimalString(p.profit),
    },
  }
}

export const balanceSheetView = async (db: Db, asOf: Day, currency: string) => {
  const b = await readBalanceSheet(db, asOf, currency)
  return {
    asOf,
    assets: b.assets.map(row),
    liabilities: b.liabilities.map(row),
    equity: b.equity.map(row),
    earnings: toDecimalString(b.earnings),
    totals: {
      assets: toDecimalString(b.totalAssets),
      liabilities: toDecimalString(b.totalLiabilities),
      equity: toDecimalString(b.totalEquity),
    },
    difference: toDecimalString(b.difference),
  }
}

export const taxView = async (db: Db, span: { from: Day; to: Day }, currency: string) => {
  const rows = await sumTax(db, span, currency)
  return {
    ...span,
    rows: rows.map((r) => ({
      code: r.code,
      name: r.name,
      treatment: r.treatment,
      component: r.component,
      rate: r.rate.toString(),
      net: toDecimalString(r.net),
      tax: toDecimalString(r.amount),
    })),
    total: toDecimalString(
      sumMoney(
        rows.map((r) => r.amount),
        currency,
      ),
    ),
  }
}

export interface Tie {
  readonly name: string
  readonly subledger: Money
  readonly account: Money
  readonly difference: Money
}

const inDebit = (sums: readonly AccountSum[], id: number | undefined, currency: string): Money => {
  const sum = sums.find((s) => s.id === id)
  return sum ? subtractMoney(sum.debit, sum.credit) : zeroMoney(currency)
}

/** What the papers say beside what the accounts say, as of a day. Every difference is always zero. */
export const readTies = async (db: Db, asOf: Day, currency: string): Promise<Tie[]> => {
  const [sums, accounts, papers] = await Promise.all([
    sumAccounts(db, { to: asOf }, currency),
    listAccounts(db),
    sumSubledgers(db, asOf, currency),
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
    tie('Receivables: open dues', papers.receivables, balance('receivables')),
    tie('Held: deposits by sale', papers.held.deposit, negateMoney(balance('customer-deposits'))),
    tie('Held: layaway by sale', papers.held.layaway, negateMoney(balance('layaway-deposits'))),
    tie('Held: on account by customer', papers.held.account, negateMoney(balance('on-account'))),
    tie('Billed ahead: bills less handovers', papers.ahead, negateMoney(balance('billed-ahead'))),
    tie('Installment charges: schedules', papers.unearned, negateMoney(balance('unearned-charges'))),
    tie('Tax on deposits: money that came ahead', papers.taxAhead, balance('tax-on-deposits')),
    tie('Stock: what lies on the shelves', papers.stock, balance('stock')),
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

export interface OwedWish {
  readonly asOf: Day
  readonly by: 'due' | 'invoice'
  readonly group?: AgeGroup
  readonly only?: { readonly kind?: string; readonly channel?: string }
}

/** Who owes what as of a day, aged, with the foot compared to the receivables account. */
export const readOwed = async (db: Db, { asOf, by, group = 'customer', only }: OwedWish, business: Business) => {
  const { currency } = business
  const [rows, sums, accounts] = await Promise.all([
    ageBy(db, { asOf, by, currency, limits: business.ageLimits, group, only }),
    sumAccounts(db, { to: asOf }, currency),
    listAccounts(db),
  ])
  const sum = (pick: (r: (typeof rows)[number]) => Money): Money => sumMoney(rows.map(pick), currency)
  const totals = {
    notDue: sum((r) => r.notDue),
    d1to30: sum((r) => r.d1to30),
    d31to60: sum((r) => r.d31to60),
    d61to90: sum((r) => r.d61to90),
    over90: sum((r) => r.over90),
    total: sum((r) => r.total),
    held: sum((r) => r.held),
    onAccount: sum((r) => r.onAccount),
  }
  const controlAccount = inDebit(sums, accounts.find((a) => a.role === 'receivables')?.id, currency)
  return {
    asOf,
    by,
    group,
    rows,
    totals,
    controlAccount,
    difference: subtractMoney(totals.total, controlAccount),
    agrees: isZeroMoney(subtractMoney(totals.total, controlAccount)),
  }
}

export const owedView = async (db: Db, filter: OwedWish, business: Business) => {
  const owed = await readOwed(db, filter, business)
  const ages = (a: (typeof owed)['totals']) => ({
    notDue: toDecimalString(a.notDue),
    d1to30: toDecimalString(a.d1to30),
    d31to60: toDecimalString(a.d31to60),
    d61to90: toDecimalString(a.d61to90),
    over90: toDecimalString(a.over90),
    total: toDecimalString(a.total),
    held: toDecimalString(addMoney(a.held, a.onAccount)),
    onAccount: toDecimalString(a.onAccount),
  })
  return {
    asOf: owed.asOf,
    by: owed.by,
    limits: business.ageLimits,
    rows: owed.rows.map((r) => ({ customerId: r.customerId, key: r.key, name: r.name, ...ages(r) })),
    totals: ages(owed.totals),
    controlAccount: toDecimalString(owed.controlAccount),
    difference: toDecimalString(owed.difference),
  }
}
