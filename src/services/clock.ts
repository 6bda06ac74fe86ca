import { day, dayAt, isDay, isZoneKnown, type Day } from '@/core/day'
import type { Db } from '@/data/connect'
import { findBusiness } from '@/data/queries/business'

/** The day that TILL_TODAY pins, or null. A day that cannot be read is said, not guessed. */
export const pinnedDay = (): Day | null => {
  const given = process.env.TILL_TODAY
  if (!given) return null
  if (!isDay(given))
    throw new Error(`TILL_TODAY is a day written YYYY-MM-DD; it is “${given}”. Correct it, or leave it away.`)
  return day(given)
}

/** The business date: pinned by TILL_TODAY, else the calendar day where the business is. Asked once, at the edge. */
export const businessDate = (): Day => pinnedDay() ?? dayAt(new Date())

/** The same where nothing was read of the business yet: a server that just started asks where it is first. */
export const businessToday = async (db: Db): Promise<Day> => {
  if (pinnedDay() === null && !isZoneKnown()) await findBusiness(db)
  return businessDate()
}
