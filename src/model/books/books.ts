import { addDays, addMonths, daysBetween, monthsOf, monthStart, type Day, type Span } from '@/core/day'
import { present } from '@/core/present'
import {
  balanceSheet,
  cashFlow,
  CASH_PARTS,
  profitAndLoss,
  trialBalance,
  type ProfitAndLoss,
  type ReportRow,
} from '@/core/ledger'
import { absMoney, subtractMoney, sumMoney, toDecimalString } from '@/core/money'
import type { Db } from '@/data/connect'
import { sumTax } from '@/data/queries/taxSums'
import { sumAccounts, sumAccountsOf } from '@/data/queries/balances'
import { listCashHeld, listCashMonths } from '@/data/queries/cashMoves'
import { readBudgeted } from './budget'

export const readTrialBalance = async (db: Db, asOf: Day, currency: string) =>
  trialBalance(await sumAccounts(db, { to: asOf }, currency), currency)
export const readProfitAndLoss = async (db: Db, span: { from: Day; to: Day }, currency: string) =>
  profitAndLoss(await sumAccounts(db, span, currency, { withoutYearEnd: true }), currency)
export const readBalanceSheet = async (db: Db, asOf: Day, currency: string) =>
  balanceSheet(await sumAccounts(db, { to: asOf }, currency), currency)

/** Where cash came from and went in a span, from the accounts on the other side of it. */
export const readCashFlow = async (db: Db, span: Span, currency: string) => {
  const [moves, [held]] = await Promise.all([
    listCashMonths(db, span, span.from, currency),
    listCashHeld(db, [span], currency),
  ])
  return cashFlow(moves, present(held), currency)
}

/** The most months that stand beside each other; of a longer span the last ones do. */
const MOST_MONTHS = 13

/** A span, as many days before it, and its last months. */
const spansOf = (span: Span) => {
  const days = daysBetween(span.from, span.to) + 1
  const earlier = { from: addDays(span.from, -days), to: addDays(span.from, -1) }
  return { days, earlier, months: monthsOf(span).slice(-MOST_MONTHS) }
}

/** A report of a span, of as many days before it, and of each of its last months. */
const byMonth = async <R>(span: Span, read: (spans: readonly Span[]) => Promise<readonly R[]>) => {
  const { days, earlier, months } = spansOf(span)
  const [whole, before, ...each] = await read([span, earlier, ...months])
  return {
    days,
    whole: present(whole),
    before: { ...earlier, report: present(before) },
    months: months.map((m, i) => ({ ...m, report: present(each[i]) })),
  }
}

/** What was earned and spent in a span, in each of its last months, and in as many days before it. */
export const readProfitByMonth = async (db: Db, span: Span, currency: string) => {
  const { months, ...of } = await byMonth(span, async (spans) =>
    (await sumAccountsOf(db, spans, currency, { withoutYearEnd: true })).map((sums) => profitAndLoss(sums, currency)),
  )
  const change = subtractMoney(of.whole.profit, of.before.report.profit)
  return {
    ...of,
    /** How much more was earned than in the days before, or less. */
    change: { by: absMoney(change), less: change.minor < 0n },
    months: months.map((m) => ({ ...m, costs: subtractMoney(m.report.totalIncome, m.report.profit) })),
  }
}

/** Where cash came from and went in a span, in each of its last months, and in as many days before it. */
export const readCashFlowByMonth = (db: Db, span: Span, currency: string) =>
  byMonth(span, async (spans) => {
    const { earlier } = spansOf(span)
    const [all, held] = await Promise.all([
      listCashMonths(db, { from: earlier.from, to: span.to }, span.from, currency),
      listCashHeld(db, spans, currency),
    ])
    return spans.map((one, i) => {
      const isWhole = one.from === span.from && one.to === span.to
      const moves = all.filter((m) =>
        one.to < span.from ? !m.since : m.since && (isWhole || m.month === monthStart(one.from)),
      )
      return cashFlow(moves, present(held[i]), currency)
    })
  })

/** What there was and was owed on a day, a month before it, and a year before it. */
export const readBalanceSheets = async (db: Db, asOf: Day, currency: string) => {
  const days = [0, 1, 12].map((months) => ({ months, on: addMonths(asOf, -months) }))
  const sums = await sumAccountsOf(
    db,
    days.map(({ on }) => ({ to: on })),
    currency,
  )
  return days.map((d, i) => ({ ...d, report: balanceSheet(present(sums[i]), currency) }))
}

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
  const [p, budget] = await Promise.all([readProfitAndLoss(db, span, currency), readBudgeted(db, span, currency)])
  return { ...span, ...viewOfProfit(p), budget: budget && viewOfProfit(budget) }
}

const viewOfProfit = (p: ProfitAndLoss) => ({
  income: p.income.map(row),
  costOfGoods: p.costOfGoods.map(row),
  expenses: p.expenses.map(row),
  totals: {
    income: toDecimalString(p.totalIncome),
    grossProfit: toDecimalString(p.grossProfit),
    expenses: toDecimalString(p.totalExpenses),
    profit: toDecimalString(p.profit),
  },
})

export const cashFlowView = async (db: Db, span: Span, currency: string) => {
  const c = await readCashFlow(db, span, currency)
  const [operating, investing, financing] = CASH_PARTS.map((p) => ({
    rows: c.parts[p].rows.map(row),
    total: toDecimalString(c.parts[p].total),
  }))
  return {
    ...span,
    opening: toDecimalString(c.opening),
    operating: present(operating),
    investing: present(investing),
    financing: present(financing),
    change: toDecimalString(c.change),
    closing: toDecimalString(c.closing),
    accounts: c.held.map((h) => ({
      account: h.code,
      name: h.name,
      opening: toDecimalString(h.opening),
      closing: toDecimalString(h.closing),
    })),
    difference: toDecimalString(c.difference),
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
