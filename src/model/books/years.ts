import { day, yearOf, type Day } from '@/core/day'
import type { Money } from '@/core/money'
import { listYearEnds } from '@/data/queries/yearEnds'
import type { Asked } from '../where'
import { readProfitAndLoss } from './books'

/** A year that is over. */
export interface YearRow {
  readonly year: number
  readonly from: Day
  readonly to: Day
  readonly profit: Money
  /** The entry that closed it; null while it is open. */
  readonly entryId: number | null
}

/** The years of the books that are over, the newest first. */
export const readYears = async ({ db, business, today }: Asked): Promise<readonly YearRow[]> => {
  const closed = await listYearEnds(db)
  const first = yearOf(business.openedOn)
  const years = Array.from({ length: Math.max(0, yearOf(today) - first) }, (_, i) => yearOf(today) - 1 - i).slice(0, 20)
  return Promise.all(
    years.map(async (year) => {
      const [from, to] = [day(`${year}-01-01`), day(`${year}-12-31`)]
      const { profit } = await readProfitAndLoss(db, { from, to }, business.currency)
      return { year, from, to, profit, entryId: closed.find((y) => y.year === year)?.entryId ?? null }
    }),
  )
}
