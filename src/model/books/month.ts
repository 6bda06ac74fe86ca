import { addMonths, monthEnd, monthStart, type Day } from '@/core/day'
import { monthSteps, type MonthStep } from '@/core/ledger'
import { isZeroMoney, toDecimalString } from '@/core/money'
import { sumRole } from '@/data/queries/balances'
import { readMonthFacts } from '@/data/queries/monthFacts'
import type { Where } from '../where'
import { readProfitAndLoss } from './books'
import { readBasis, readTaxRows, sumsOfRows } from './taxReturns'

/** The month whose end is worked on: through its 15th that is the one before. */
export const monthInHand = (today: Day): Day => monthStart(today.slice(8) <= '15' ? addMonths(today, -1) : today)

/** The end of the month of a day: what is done and what is not. */
export const readMonth = async ({ db, business, today, currency }: Where, of: Day) => {
  const from = monthStart(of)
  const to = monthEnd(from)
  const span = { from, to }
  const [facts, drawer, checks, bank, report, rows] = await Promise.all([
    readMonthFacts(db, span, currency),
    sumRole(db, 'drawer', to, currency),
    sumRole(db, 'cheques', to, currency),
    sumRole(db, 'bank', to, currency),
    readProfitAndLoss(db, span, currency),
    readBasis(db).then((basis) => readTaxRows(db, { from, through: to, basis }, currency)),
  ])
  const { due } = sumsOfRows(rows, currency)
  const steps = monthSteps({
    isOver: to < today,
    to,
    drawer: { holds: drawer, movedOn: facts.cashOn, countedOn: facts.countedOn },
    checks,
    banks: { count: facts.banks, done: facts.banksDone, holds: bank },
    notInvoiced: facts.notInvoiced,
    onAccount: { amount: facts.onAccount, customers: facts.onAccountOf },
    tax: { filed: facts.taxFiled, due, any: rows.some((r) => Number(r.tax) !== 0) || !isZeroMoney(due) },
    profit: report.profit,
    closedThrough: business.closedThrough,
  })
  return { month: from.slice(0, 7), from, to, steps }
}
export type MonthPage = Awaited<ReturnType<typeof readMonth>>

export const monthView = async (where: Where, of: Day) => {
  const { steps, ...month } = await readMonth(where, of)
  return {
    ...month,
    steps: steps.map(({ amount, ...step }: MonthStep) => ({
      ...step,
      ...(amount && { amount: toDecimalString(amount) }),
    })),
  }
}
