import { addMoney, zeroMoney, type Money } from '../money'
import { addDays, laterDay, weekStart, type Day } from '../day'

/**
 * When open dues fall due, week by week from the week of `today`, for `weeks` weeks. What is late already is expected
 * now, in the first week; what falls due later than the span is left out.
 */
export const expectByWeek = (
  dues: readonly { readonly dueOn: Day; readonly open: Money }[],
  { today, weeks, currency }: { readonly today: Day; readonly weeks: number; readonly currency: string },
): { readonly week: Day; readonly amount: Money }[] => {
  const first = weekStart(today)
  const sums = Array.from({ length: weeks }, (_, i) => ({
    week: addDays(first, i * 7),
    amount: zeroMoney(currency),
  }))
  const byWeek = new Map(sums.map((s) => [s.week, s]))
  for (const due of dues) {
    const slot = byWeek.get(weekStart(laterDay(due.dueOn, today)))
    if (slot) slot.amount = addMoney(slot.amount, due.open)
  }
  return sums
}
