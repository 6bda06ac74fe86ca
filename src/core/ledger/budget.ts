import { addMonths, day, daysBetween, monthEnd, monthsOf, monthStart, yearOf, type Span } from '../day'
import { addMoney, decimal, splitMoney, zeroMoney, type Money } from '../money'
import { present } from '../present'

/** What an account is meant to bring or cost in a year; on its usual side: below zero only where it takes off, as returns do. */
export interface BudgetLine {
  readonly accountId: number
  readonly year: number
  readonly amount: Money
}

/** The days of a month that lie in a span, and how many it has. */
const daysIn = (month: Span, span: Span): readonly [inSpan: number, all: number] => {
  const from = month.from > span.from ? month.from : span.from
  const to = month.to < span.to ? month.to : span.to
  return [Math.max(daysBetween(from, to) + 1, 0), daysBetween(month.from, month.to) + 1]
}

/**
 * What of the budgets of years falls into a span, by account: a year is spread over its months alike, the leftover cents to the
 * earlier ones; of a month that is cut, its share by days, rounded to the cent. A whole year is exactly its budget.
 *
 * @example 1,200.00 for 2026: January → 100.00; 1 through 14 February → 50.00; the year → 1,200.00
 */
export const budgetOf = (lines: readonly BudgetLine[], span: Span, currency: string): ReadonlyMap<number, Money> => {
  const sums = new Map<number, Money>()
  for (const { accountId, year, amount } of lines) {
    const first = day(`${year}-01-01`)
    const shares = splitMoney(
      amount,
      Array.from({ length: 12 }, () => decimal(1)),
    )
    for (const { from, to } of monthsOf(span)) {
      if (yearOf(from) !== year) continue
      const at = Number(from.slice(5, 7)) - 1
      const month = { from: monthStart(from), to: monthEnd(addMonths(first, at)) }
      const [inSpan, all] = daysIn(month, { from, to })
      const [part] = splitMoney(present(shares[at]), [decimal(inSpan), decimal(all - inSpan)])
      sums.set(accountId, addMoney(sums.get(accountId) ?? zeroMoney(currency), present(part)))
    }
  }
  return sums
}
