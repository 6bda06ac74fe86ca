import { present } from '@/core/present'
import { addDays, addMonths, type Day } from '../day'

export type Rhythm = 'week' | 'two-weeks' | 'month' | 'quarter' | 'half-year' | 'year'

export interface Repeating {
  readonly every: Rhythm
  /** The first day of all; months are stepped from here, so that 31 Jan, 28 Feb, 31 Mar. */
  readonly firstOn: Day
  /** Inclusive; null goes on. */
  readonly untilDay: Day | null
  /** How often altogether; null goes on. */
  readonly times: number | null
}

const DAYS: Partial<Record<Rhythm, number>> = { week: 7, 'two-weeks': 14 }
const MONTHS: Partial<Record<Rhythm, number>> = { month: 1, quarter: 3, 'half-year': 6, year: 12 }

/** The day of turn `n` (0 is the first), or null when the repeat has ended by then. */
export const repeatDay = (r: Repeating, n: number): Day | null => {
  if (r.times !== null && n >= r.times) return null
  const days = DAYS[r.every]
  const on = days ? addDays(r.firstOn, days * n) : addMonths(r.firstOn, present(MONTHS[r.every]) * n)
  return r.untilDay !== null && on > r.untilDay ? null : on
}

/** The days from turn `from` on that lie on or before `through`, at most `most` of them. */
export const repeatDays = (r: Repeating, from: number, through: Day, most = 60): Day[] => {
  const days: Day[] = []
  for (let n = from; days.length < most; n++) {
    const on = repeatDay(r, n)
    if (on === null || on > through) break
    days.push(on)
  }
  return days
}
