import { daysBetween, type Day } from '@/core/day'
import type { Decimal, Money } from '@/core/money'
import { subtractMoney } from '@/core/money'
import { daysItLasts, marginOf, turnsAYear } from '@/core/stock'
import { listSold, type SoldRow } from '@/data/queries/turnover'
import type { Where } from '../where'

/** What a thing brought in a span of days, how fast it turns, and how long what lies of it lasts. */
export interface Turnover extends SoldRow {
  readonly profit: Money
  /** Of its income, in percent. */
  readonly margin: Decimal | null
  readonly turns: Decimal | null
  readonly lasts: Decimal | null
}

/** What sells and what lies, thing by thing. */
export const readTurnover = async (
  { db, currency }: Where,
  span: { readonly from: Day; readonly to: Day },
): Promise<readonly Turnover[]> => {
  const days = daysBetween(span.from, span.to) + 1
  return (await listSold(db, span, currency)).map((r) => ({
    ...r,
    profit: subtractMoney(r.income, r.cost),
    margin: marginOf(r.income, r.cost),
    turns: turnsAYear(r, days),
    lasts: daysItLasts(r, days),
  }))
}
