import { decimal, power, root, type Decimal } from '../money'
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

const PER_YEAR = { month: 12, 'two-weeks': 26, week: 52 } as const
const DAYS_OF_YEAR = 365

/**
 * Steps in a year: 12, 26, 52, or 365 ÷ n for every n days.
 *
 * @example stepsPerYear('month') // 12
 */
export const stepsPerYear = (every: Rhythm): Decimal =>
  typeof every === 'string' ? decimal(PER_YEAR[every]) : decimal(DAYS_OF_YEAR).div(every.days)

/**
 * What grows by a factor at each step, after a year: the factor to the power of the steps in it.
 *
 * @example overAYear(decimal('1.01'), 'month') // 1.126825030131969720661201
 */
export const overAYear = (growth: Decimal, every: Rhythm): Decimal =>
  typeof every === 'string' ? power(growth, PER_YEAR[every]) : power(root(growth, every.days), DAYS_OF_YEAR)
