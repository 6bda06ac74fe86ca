import { sumMoney, type Money } from '../money'
import { daysBetween, type Day } from '../day'

export const AGE_COLUMNS = ['notDue', 'd1to30', 'd31to60', 'd61to90', 'over90'] as const
export type AgeColumn = (typeof AGE_COLUMNS)[number]
export type Ages = Readonly<Record<AgeColumn, Money>> & { readonly total: Money }

/**
 * The column of a due on a day, counted from `from` (its due date, or its invoice's date). Due today is not late:
 * 0 days → not due, 1 → 1–30, 30 → 1–30, 31 → 31–60, 90 → 61–90, 91 → over 90.
 */
export const ageColumn = (from: Day, asOf: Day): AgeColumn => {
  const days = daysBetween(from, asOf)
  return days <= 0
    ? 'notDue'
    : days <= 30
      ? 'd1to30'
      : days <= 60
        ? 'd31to60'
        : days <= 90
          ? 'd61to90'
          : 'over90'
}

/** Open parts in their columns; `total` is their sum. */
export const ageReceivables = (
  dues: readonly { readonly from: Day; readonly open: Money }[],
  asOf: Day,
  currency: string,
): Ages => {
  const inColumn = (column: AgeColumn) =>
    sumMoney(
      dues.filter((d) => ageColumn(d.from, asOf) === column).map((d) => d.open),
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
