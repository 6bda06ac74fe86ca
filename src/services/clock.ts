import { Temporal } from 'temporal-polyfill'
import { day, isDay, type Day } from '@/core/day'

/** The day that TILL_TODAY pins, or null. A day that cannot be read is said, not guessed. */
export const pinnedDay = (): Day | null => {
  const given = process.env.TILL_TODAY
  if (!given) return null
  if (!isDay(given))
    throw new Error(`TILL_TODAY is a day written YYYY-MM-DD; it is “${given}”. Correct it, or leave it away.`)
  return day(given)
}

/** The business date: pinned by TILL_TODAY, else the calendar day where the program runs. Asked once, at the edge. */
export const businessDate = (): Day => pinnedDay() ?? day(Temporal.Now.plainDateISO().toString())
