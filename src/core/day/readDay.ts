import { err, ok, type Result } from '../result'
import { addDays, addMonths, daysBetween, isDay, monthEnd, weekday, type Day } from './day'

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec']
const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun']
const two = (n: number) => String(n).padStart(2, '0')

/**
 * What a person may type into a date field: `t` (today), `y` (yesterday), `+30`, `-7`, `+2m`, `eom` (end of this month),
 * `fri` (the next one, today excluded), `24` (this month), `24 12`, `24 dec`, `24.12.2026`, `2026-12-24`.
 * Day before month. Without a year the one is taken that puts the day nearest to today.
 *
 * @example readDay('24 4', day('2026-03-02')) // 2026-04-24
 * @example readDay('+30', day('2026-03-02')) // 2026-04-01
 * @example readDay('eom', day('2026-02-10')) // 2026-02-28
 */
export const readDay = (
  text: string,
  today: Day,
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
  const parts = /^(\d{1,2})(?:[\s./-]+(\d{1,2}|[a-z]{3,9})(?:[\s./-]+(\d{2}|\d{4}))?)?$/.exec(typed)
  if (!parts) return fail
  const named = parts[2] === undefined || /\d/.test(parts[2]) ? -1 : MONTHS.indexOf(parts[2].slice(0, 3))
  const month = parts[2] === undefined ? Number(today.slice(5, 7)) : named >= 0 ? named + 1 : Number(parts[2])
  const year = Number(today.slice(0, 4))
  const make = (y: number) => `${String(y).padStart(4, '0')}-${two(month)}-${two(Number(parts[1]))}`
  if (parts[3] !== undefined) {
    const whole = make(Number(parts[3]) + (parts[3].length === 2 ? 2000 : 0))
    return isDay(whole) ? ok(whole) : fail
  }
  const distance = (d: Day) => Math.abs(daysBetween(d, today))
  const choices = (parts[2] === undefined ? [year] : [year - 1, year, year + 1]).map(make).filter(isDay)
  const nearest = choices.sort((a, b) => distance(a) - distance(b))[0]
  return nearest ? ok(nearest) : fail
}
