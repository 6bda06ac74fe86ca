import { Temporal } from 'temporal-polyfill'

/**
 * A calendar day without time zone, as an ISO 8601 string (`2026-11-25`). Branded, so that no other text passes for one;
 * a string, so that days compare with `<`, travel as JSON and stand in the database unchanged.
 */
export type Day = string & { readonly __brand: 'Day' }

export const isDay = (text: string): text is Day => {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return false
  try {
    return Temporal.PlainDate.from(text, { overflow: 'reject' }).toString() === text
  } catch {
    return false
  }
}

/** For days the program wrote itself. Throws on anything that is not a day. */
export const day = (text: string): Day => {
  if (!isDay(text)) throw new Error(`not a day: ${text}`)
  return text
}

const plain = (d: Day) => Temporal.PlainDate.from(d)
const back = (d: Temporal.PlainDate) => d.toString() as Day

export const addDays = (d: Day, days: number): Day => back(plain(d).add({ days }))

/** The same day of the month `months` later; a day the month does not have becomes its last. Step from the anchor, not from the last step, to keep 31 Jan, 28 Feb, 31 Mar. */
export const addMonths = (anchor: Day, months: number): Day => back(plain(anchor).add({ months }))

/** Days from `a` to `b`: positive when `b` is later. */
export const daysBetween = (a: Day, b: Day): number => plain(a).until(plain(b), { largestUnit: 'day' }).days

export const monthStart = (d: Day): Day => `${d.slice(0, 7)}-01` as Day
export const monthEnd = (d: Day): Day => back(plain(d).with({ day: plain(d).daysInMonth }))
export const yearStart = (d: Day): Day => `${d.slice(0, 4)}-01-01` as Day
/** The Monday on or before the day. */
export const weekStart = (d: Day): Day => back(plain(d).subtract({ days: plain(d).dayOfWeek - 1 }))
/** 1 is Monday, 7 is Sunday. */
export const weekday = (d: Day): number => plain(d).dayOfWeek
export const laterDay = (a: Day, b: Day): Day => (a >= b ? a : b)
