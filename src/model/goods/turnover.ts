import { daysBetween, type Day } from '@/core/day'
import type { Money } from '@/core/money'
import { subtractMoney } from '@/core/money'
import { listSold, type SoldRow } from '@/data/queries/turnover'
import type { Where } from '../where'

/** What a thing brought in a span of so many days, and what lies of it: how fast it turns is reckoned where it is asked for. */
export interface Turnover extends SoldRow {
  readonly profit: Money
  readonly days: number
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
    days,
  }))
}
