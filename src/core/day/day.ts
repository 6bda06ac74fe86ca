import { Temporal } from 'temporal-polyfill'

/**
 * A calendar day without time zone, as an ISO 8601 string (`2026-11-25`). Branded, so that no other text passes for one;
 * a string, so that days compare with `<`, travel as JSON and stand in the database unchanged.
 */
export type Day = string & { readonly __brand: 'Day' }

/**
 * Whether a text is a calendar day, YYYY-MM-DD, that exists.
 *
 * @example isDay('2026-02-28') // true
 * @example isDay('2026-02-29') // false
 */
export const isDay = (text: string): text is Day => {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return false
  try {
    return Temporal.PlainDate.from(text, { overflow: 'reject' }).toString() === text
  } catch {
    return false
  }
}

/**
 * Earlier days first, for `sort`: negative where `a` is before `b`, 0 where they are the same day.
 *
 * @example compareDays(day('2026-02-27'), day('2026-03-02')) // -1
 * @example compareDays(day('2026-03-02'), day('2026-03-02')) // 0
 */
export const compareDays = (a: Day, b: Day): -1 | 0 | 1 => (a < b ? -1 : a > b ? 1 : 0)

/** For days the program wrote itself. Throws on anything that is not a day. */
export const day = (text: string): Day => {
  if (!isDay(text)) throw new Error(`not a day: ${text}`)
  return text
}

const plain = (d: Day) => Temporal.PlainDate.from(d)
const back = (d: Temporal.PlainDate) => d.toString() as Day

/**
 * The day so many days later; earlier where `days` is negative.
 *
 * @example addDays(day('2026-12-31'), 1) // 2027-01-01
 */
export const addDays = (d: Day, days: number): Day => back(plain(d).add({ days }))

/**
 * The same day of the month `months` later; a day the month does not have becomes its last. Step from the anchor, not
 * from the last step, to keep 31 Jan, 28 Feb, 31 Mar.
 *
 * @example addMonths(day('2026-01-31'), 1) // 2026-02-28
 * @example addMonths(day('2026-01-31'), 2) // 2026-03-31
 */
export const addMonths = (anchor: Day, months: number): Day => back(plain(anchor).add({ months }))

/**
 * Days from `a` to `b`: positive when `b` is later.
 *
 * @example daysBetween(day('2026-02-27'), day('2026-03-02')) // 3
 */
export const daysBetween = (a: Day, b: Day): number => plain(a).until(plain(b), { largestUnit: 'day' }).days

/**
 * The first day of its month.
 *
 * @example monthStart(day('2026-02-17')) // 2026-02-01
 */
export const monthStart = (d: Day): Day => `${d.slice(0, 7)}-01` as Day

/**
 * The last day of its month.
 *
 * @example monthEnd(day('2028-02-17')) // 2028-02-29
 */
export const monthEnd = (d: Day): Day => back(plain(d).with({ day: plain(d).daysInMonth }))

/**
 * The first day of its year.
 *
 * @example yearStart(day('2026-11-26')) // 2026-01-01
 */
export const yearStart = (d: Day): Day => `${d.slice(0, 4)}-01-01` as Day

/**
 * The calendar year of a day.
 *
 * @example yearOf(day('2026-11-26')) // 2026
 */
export const yearOf = (d: Day): number => Number(d.slice(0, 4))
/**
 * The Monday on or before the day.
 *
 * @example weekStart(day('2026-03-05')) // 2026-03-02
 */
export const weekStart = (d: Day): Day => back(plain(d).subtract({ days: plain(d).dayOfWeek - 1 }))
/** 1 is Monday, 7 is Sunday. */
export const weekday = (d: Day): number => plain(d).dayOfWeek

/**
 * The later of two days.
 *
 * @example laterDay(day('2026-03-05'), day('2026-03-02')) // 2026-03-05
 */
export const laterDay = (a: Day, b: Day): Day => (a >= b ? a : b)

export interface Span {
  readonly from: Day
  readonly to: Day
}

/**
 * The calendar months a span of days runs through, the first and last cut to it; none where it ends before it begins.
 *
 * @example monthsOf({ from: day('2026-01-15'), to: day('2026-02-03') }).length // 2
 */
export const monthsOf = ({ from, to }: Span): readonly Span[] => {
  const months: Span[] = []
  for (let begin = from; begin <= to; begin = addMonths(monthStart(begin), 1)) {
    const end = monthEnd(begin)
    months.push({ from: begin, to: end < to ? end : to })
  }
  return months
}

/**
 * The first moment of a day by UTC, in milliseconds of the epoch: for formatters of the platform that are told UTC too.
 *
 * @example instantOf(day('1970-01-02')) // 86400000
 */
export const instantOf = (d: Day): number => plain(d).toZonedDateTime('UTC').epochMilliseconds
