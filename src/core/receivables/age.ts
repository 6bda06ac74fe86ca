import { present } from '@/core/present'
import { sumMoney, type Money } from '../money'
import { daysBetween, type Day } from '../day'

/** The columns by their place; their names are those of the usual limits, whatever limits are set. */
export const AGE_COLUMNS = ['notDue', 'd1to30', 'd31to60', 'd61to90', 'over90'] as const
export type AgeColumn = (typeof AGE_COLUMNS)[number]
export type Ages = Readonly<Record<AgeColumn, Money>> & { readonly total: Money }

/** The last day of each of the three columns between “not due” and “over”. Rising, all above zero. */
export type AgeLimits = readonly [number, number, number]
export const USUAL_LIMITS: AgeLimits = [30, 60, 90]

/** The words the names of the columns are made of, where they are not to be English. */
export interface AgeWords {
  readonly notDue: string
  readonly days: string
  readonly over: string
}
const ENGLISH: AgeWords = { notDue: 'Not due', days: 'days', over: 'Over' }

/**
 * What stands over the columns: `1–30`, `31–60`, `61–90`, `over 90`.
 *
 * @example ageNames([30, 60, 90]) // notDue Not due, d1to30 1–30 days, d31to60 31–60 days, d61to90 61–90 days, over90 Over 90 days
 */
export const ageNames = (
  [a, b, c]: AgeLimits,
  { notDue, days, over } = ENGLISH,
): Readonly<Record<AgeColumn, string>> => ({
  notDue,
  d1to30: `1–${a} ${days}`,
  d31to60: `${a + 1}–${b} ${days}`,
  d61to90: `${b + 1}–${c} ${days}`,
  over90: `${over} ${c} ${days}`,
})

/** All that is past its date: every column but the first. */
export const lateOf = (ages: Ages): Money =>
  sumMoney(
    AGE_COLUMNS.slice(1).map((column) => ages[column]),
    ages.total.currency,
  )

/**
 * The column of a due on a day, counted from `from` (its due date, or its invoice's date). Due today is not late:
 * 0 days → not due, 1 → 1–30, 30 → 1–30, 31 → 31–60, 90 → 61–90, 91 → over 90.
 *
 * @example ageColumn(day('2026-03-01'), day('2026-03-31')) // d1to30
 * @example ageColumn(day('2026-03-01'), day('2026-04-01')) // d31to60
 */
export const ageColumn = (from: Day, asOf: Day, limits: AgeLimits = USUAL_LIMITS): AgeColumn => {
  const days = daysBetween(from, asOf)
  if (days <= 0) return 'notDue'
  const at = limits.findIndex((limit) => days <= limit)
  return at === -1 ? 'over90' : present(AGE_COLUMNS[at + 1])
}

/** Open parts in their columns; `total` is their sum. */
export const ageReceivables = (
  dues: readonly { readonly from: Day; readonly open: Money }[],
  asOf: Day,
  currency: string,
  limits: AgeLimits = USUAL_LIMITS,
): Ages => {
  const inColumn = (column: AgeColumn) =>
    sumMoney(
      dues.filter((d) => ageColumn(d.from, asOf, limits) === column).map((d) => d.open),
      currency,
    )
  return {
    notDue: inColumn('notDue'),
    d1to30: inColumn('d1to30'),
    d31to60: inColumn('d31to60'),
    d61to90: inColumn('d61to90'),
    over90: inColumn('over90'),
    total: sumMoney(
      dues.map((d) => d.open),
      currency,
    ),
  }
}
