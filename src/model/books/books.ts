import { addDays, daysBetween, monthsOf, type Day, type Span } from '@/core/day'
import { present } from '@/core/present'
import { balanceSheet, profitAndLoss, trialBalance, type ReportRow } from '@/core/ledger'
import { absMoney, subtractMoney, sumMoney, toDecimalString } from '@/core/money'
import type { Db } from '@/data/connect'
import { sumTax } from '@/data/queries/invoices'
import { sumAccounts } from '@/data/queries/balances'

export const readTrialBalance = async (db: Db, asOf: Day, currency: string) =>
  trialBalance(await sumAccounts(db, { to: asOf }, currency), currency)
export const readProfitAndLoss = async (db: Db, span: { from: Day; to: Day }, currency: string) =>
  profitAndLoss(await sumAccounts(db, span, currency, { withoutYearEnd: true }), currency)
/** The most months that stand beside each other; of a longer span the last ones do. */
const MOST_MONTHS = 13

/** What was earned and spent in a span, in each of its last months, and in as many days before it. */
export const readProfitByMonth = async (db: Db, span: Span, currency: string) => {
  const days = daysBetween(span.from, span.to) + 1
  const earlier = { from: addDays(span.from, -days), to: addDays(span.from, -1) }
  const months = monthsOf(span).slice(-MOST_MONTHS)
  const [whole, before, ...each] = await Promise.all(
    [span, earlier, ...months].map((s) => readProfitAndLoss(db, s, currency)),
  )
  const change = subtractMoney(present(whole).profit, present(before).profit)
  return {
    days,
    whole: present(whole),
    before: { ...earlier, report: present(before) },
    /** How much more was earned than in the days before, or less. */
    change: { by: absMoney(change), less: change.minor < 0n },
    months: months.map((m, i) => {
      const report = present(each[i])
      return { ...m, report, costs: subtractMoney(report.totalIncome, report.profit) }
    }),
  }
}
export type ProfitByMonth = Awaited<ReturnType<typeof readProfitByMonth>>
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
