import { sumMoney, toDecimalString, type Money } from '@/core/money'
import type { Day } from '@/core/day'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { listPlanSums, type PlanSums } from '@/data/queries/plans'

export type { PlanSums } from '@/data/queries/plans'

/** All installment plans with what was paid of them, what is open and late, what comes next, and when they end. */
export const readPlanBook = async (db: Db, wish: { readonly ended: boolean }, business: Business, today: Day) => {
  const rows = await listPlanSums(db, wish, today, business.currency)
  const sum = (pick: (r: PlanSums) => Money): Money => sumMoney(rows.map(pick), business.currency)
  return {
    rows,
    totals: {
      financed: sum((r) => r.financed),
      paid: sum((r) => r.paid),
      open: sum((r) => r.open),
      late: sum((r) => r.late),
      unearned: sum((r) => r.unearned),
    },
  }
}

export const planBookView = async (db: Db, wish: { ended: boolean }, business: Business, today: Day) => {
  const book = await readPlanBook(db, wish, business, today)
  const t = toDecimalString
  return {
    rows: book.rows.map((r) => ({
      ...r,
      financed: t(r.financed),
      charge: t(r.charge),
      paid: t(r.paid),
      open: t(r.open),
      late: t(r.late),
      unearned: t(r.unearned),
      nextOpen: r.nextOpen && t(r.nextOpen),
    })),
    totals: Object.fromEntries(Object.entries(book.totals).map(([k, v]) => [k, t(v)])),
  }
}
