import { decimal, type Decimal } from '../money'
import { addDays, addMonths, type Day } from '../day'
import type { Rhythm } from './arrangement'

/**
 * The day `n` steps after the anchor; months remember the anchor's day.
 *
 * @example stepFrom(day('2026-01-31'), 'month', 1) // 2026-02-28
 * @example stepFrom(day('2026-01-31'), { days: 10 }, 2) // 2026-02-20
 */
export const stepFrom = (anchor: Day, every: Rhythm, n: number): Day =>
  every === 'month' ? addMonths(anchor, n) : addDays(anchor, n * daysOf(every))

const daysOf = (every: Exclude<Rhythm, 'month'>): number =>
  every === 'week' ? 7 : every === 'two-weeks' ? 14 : every.days

/**
 * Steps in a year: 12, 26, 52, or 365 ÷ n for every n days.
 *
 * @example stepsPerYear('month') // 12
 */
export const stepsPerYear = (every: Rhythm): Decimal =>
  every === 'month'
    ? decimal(12)
    : every === 'week'
      ? decimal(52)
      : every === 'two-weeks'
        ? decimal(26)
        : decimal(365).div(every.days)
