/**
 * A calendar day without time zone, as an ISO 8601 string (`2026-11-25`). Branded, so that no other text passes for one;
 * a string, so that days compare with `<`, travel as JSON and stand in the database unchanged.
 */
export type Day = string & { readonly __brand: 'Day' }

const WRITTEN = /^(\d{4})-(\d\d)-(\d\d)$/

/** How many days a month has, 1 to 12, of a year of the Gregorian calendar. */
const daysInMonth = (year: number, month: number): number =>
  month === 2
    ? year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0)
      ? 29
      : 28
    : month === 4 || month === 6 || month === 9 || month === 11
      ? 30
      : 31

/**
 * Whether a text is a calendar day, YYYY-MM-DD, that exists.
 *
 * @example isDay('2026-02-28') // true
 * @example isDay('2026-02-29') // false
 */
export const isDay = (text: string): text is Day => {
  const parts = WRITTEN.exec(text)
  if (!parts) return false
  const [year, month, date] = [Number(parts[1]), Number(parts[2]), Number(parts[3])]
  return month >= 1 && month <= 12 && date >= 1 && date <= daysInMonth(year, month)
}

/**
 * Whether a text is a day that papers and reports can have: of the years 1990 to 2199. Another one is a slip of the hand, and
 * reckoning from the last day that can be written leads beyond it.
 *
 * @example isDayInReach('2026-02-28') // true
 * @example isDayInReach('9999-12-31') // false
 */
export const isDayInReach = (text: string): text is Day => text >= '1990-01-01' && text <= '2199-12-31' && isDay(text)

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

interface Parts {
  readonly year: number
  /** 1 to 12. */
  readonly month: number
  readonly date: number
}
const partsOf = (d: Day): Parts => ({
  year: Number(d.slice(0, 4)),
  month: Number(d.slice(5, 7)),
  date: Number(d.slice(8)),
})

const two = (n: number): string => String(n).padStart(2, '0')
const written = ({ year, month, date }: Parts): Day => {
  if (year < 0 || year > 9999) throw new RangeError(`no day of the year ${year} can be written`)
  return `${String(year).padStart(4, '0')}-${two(month)}-${two(date)}` as Day
}

/** Days of a period of four hundred years, after which the calendar repeats. */
const ERA = 146_097
/** From the first of March of the year 0 to the first of January 1970. */
const EPOCH = 719_468

/**
 * Days since the first of January 1970; negative before it. Years are counted from March, so that the day that not every
 * year has is the last of a year, and months of thirty and thirty-one days fall as a straight line does.
 */
const numberOf = ({ year, month, date }: Parts): number => {
  const y = month <= 2 ? year - 1 : year
  const era = Math.floor(y / 400)
  const ofEra = y - era * 400
  const ofYear = Math.floor((153 * ((month + 9) % 12) + 2) / 5) + date - 1
  return era * ERA + ofEra * 365 + Math.floor(ofEra / 4) - Math.floor(ofEra / 100) + ofYear - EPOCH
}

/** The day of such a number. */
const dayOf = (number: number): Day => {
  const days = number + EPOCH
  const era = Math.floor(days / ERA)
  const ofEra = days - era * ERA
  const y = Math.floor(
    (ofEra - Math.floor(ofEra / 1460) + Math.floor(ofEra / 36_524) - Math.floor(ofEra / 146_096)) / 365,
  )
  const ofYear = ofEra - (365 * y + Math.floor(y / 4) - Math.floor(y / 100))
  const march = Math.floor((5 * ofYear + 2) / 153)
  const month = march < 10 ? march + 3 : march - 9
  return written({
    year: y + era * 400 + (month <= 2 ? 1 : 0),
    month,
    date: ofYear - Math.floor((153 * march + 2) / 5) + 1,
  })
}

/**
 * The day so many days later, a whole number of them; earlier where `days` is negative. Throws beyond the years 0 to 9999.
 *
 * @example addDays(day('2026-12-31'), 1) // 2027-01-01
 */
export const addDays = (d: Day, days: number): Day => dayOf(numberOf(partsOf(d)) + days)

/**
 * The same day of the month `months` later; a day the month does not have becomes its last. Step from the anchor, not
 * from the last step, to keep 31 Jan, 28 Feb, 31 Mar.
 *
 * @example addMonths(day('2026-01-31'), 1) // 2026-02-28
 * @example addMonths(day('2026-01-31'), 2) // 2026-03-31
 */
export const addMonths = (anchor: Day, months: number): Day => {
  const { year, month, date } = partsOf(anchor)
  const count = year * 12 + month - 1 + months
  const then = { year: Math.floor(count / 12), month: (((count % 12) + 12) % 12) + 1 }
  return written({ ...then, date: Math.min(date, daysInMonth(then.year, then.month)) })
}

/**
 * Days from `a` to `b`: positive when `b` is later.
 *
 * @example daysBetween(day('2026-02-27'), day('2026-03-02')) // 3
 */
export const daysBetween = (a: Day, b: Day): number => numberOf(partsOf(b)) - numberOf(partsOf(a))

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
export const monthEnd = (d: Day): Day => {
  const parts = partsOf(d)
  return written({ ...parts, date: daysInMonth(parts.year, parts.month) })
}

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
export const weekStart = (d: Day): Day => addDays(d, 1 - weekday(d))

/** 1 is Monday, 7 is Sunday. The first of January 1970 was a Thursday. */
export const weekday = (d: Day): number => ((((numberOf(partsOf(d)) + 3) % 7) + 7) % 7) + 1

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
export const instantOf = (d: Day): number => numberOf(partsOf(d)) * 86_400_000
