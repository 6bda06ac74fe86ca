import { houseLocale, type Locale } from '../locale'
import { err, ok, type Result } from '../result'
import { addDays, addMonths, daysBetween, isDay, monthEnd, weekday, type Day } from './day'

const MONTHS = [
  'january',
  'february',
  'march',
  'april',
  'may',
  'june',
  'july',
  'august',
  'september',
  'october',
  'november',
  'december',
]
const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun']
/** The number of a month by its name, or by its first letters, three at least; 0 where it is none. */
const monthNamed = (part: string): number =>
  part.length < 3 ? 0 : MONTHS.findIndex((name) => name.startsWith(part)) + 1
const two = (n: number) => String(n).padStart(2, '0')

/**
 * What a person may type into a date field: `t` (today), `y` (yesterday), `+30`, `-7`, `+2m`, `eom` (end of this month),
 * `fri` (the next one, today excluded), `24` (this month), `12/24`, `24 dec`, `dec 24`, `12/24/2026`, `2026-12-24`.
 * Of two numbers the month comes where the business's locale has it; where that cannot be, the other way round. Without
 * a year the one is taken that puts the day nearest to today.
 *
 * @example readDay('4/24', day('2026-03-02')) // 2026-04-24
 * @example readDay('4/5', day('2026-03-02'), localeOf('en-GB')) // 2026-05-04
 * @example readDay('+30', day('2026-03-02')) // 2026-04-01
 * @example readDay('eom', day('2026-02-10')) // 2026-02-28
 */
export const readDay = (
  text: string,
  today: Day,
  locale: Locale = houseLocale(),
): Result<Day, { readonly code: 'not-a-day'; readonly text: string }> => {
  const typed = text.trim().toLowerCase()
  const fail = err({ code: 'not-a-day' as const, text })
  if (isDay(typed)) return ok(typed)
  if (typed === 't' || typed === 'today') return ok(today)
  if (typed === 'y' || typed === 'yesterday') return ok(addDays(today, -1))
  if (typed === 'eom') return ok(monthEnd(today))
  const step = /^([+-])(\d{1,4})([mw]?)$/.exec(typed)
  if (step) {
    const n = Number(step[2]) * (step[1] === '-' ? -1 : 1)
    return ok(step[3] === 'm' ? addMonths(today, n) : addDays(today, step[3] === 'w' ? n * 7 : n))
  }
  const dayName = WEEKDAYS.indexOf(typed.slice(0, 3))
  if (dayName >= 0 && /^[a-z]+$/.test(typed)) return ok(addDays(today, ((dayName + 1 - weekday(today) + 6) % 7) + 1))
  const [first, second, yearTyped] = partsOf(typed)
  if (first === undefined) return fail
  const year = Number(today.slice(0, 4))
  const years = yearTyped
    ? [Number(yearTyped) + (yearTyped.length === 2 ? 2000 : 0)]
    : second === undefined
      ? [year]
      : [year - 1, year, year + 1]
  const distance = (d: Day) => Math.abs(daysBetween(d, today))
  for (const { month, date } of ordersOf(first, second, today, locale)) {
    const real = years.map((y) => `${String(y).padStart(4, '0')}-${two(month)}-${two(date)}`).filter(isDay)
    const nearest = real.sort((a, b) => distance(a) - distance(b))[0]
    if (nearest) return ok(nearest)
  }
  return fail
}

/** What stands between marks: a number, or a number and a month's name or number in any order, and a year. */
const partsOf = (typed: string): readonly (string | undefined)[] => {
  const [first, second, year, ...more] = typed.split(/[\s,./-]+/).filter(Boolean)
  const names = [first, second].filter((part) => part !== undefined && monthNamed(part) > 0)
  const numbers = [first, second].filter((part) => part !== undefined && /^\d{1,2}$/.test(part))
  const known = names.length + numbers.length === (second === undefined ? 1 : 2) && numbers.length >= 1
  return known && more.length === 0 && (year === undefined || /^(\d{2}|\d{4})$/.test(year)) ? [first, second, year] : []
}

/** The month and the date that two parts can mean, the likelier first. */
const ordersOf = (
  first: string,
  second: string | undefined,
  today: Day,
  { monthFirst }: Locale,
): readonly { readonly month: number; readonly date: number }[] => {
  if (second === undefined) return [{ month: Number(today.slice(5, 7)), date: Number(first) }]
  const monthOf = (part: string) => monthNamed(part) || Number(part)
  const either = [
    { month: monthOf(first), date: Number(second) },
    { month: monthOf(second), date: Number(first) },
  ].filter(({ date }) => !Number.isNaN(date))
  return monthFirst ? either : either.reverse()
}
