import type { Day } from './day'
import { weekday } from './day'

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']
const LONG_MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
]
const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']

/**
 * The month of a day, without its year: for the axis of a chart.
 *
 * @example formatMonth(day('2026-03-05')) // Mar
 */
export const formatMonth = (d: Day): string => MONTHS[Number(d.slice(5, 7)) - 1] ?? ''

/**
 * A day without its year: for the axis of a chart, where its neighbors tell which it is.
 *
 * @example formatDayAndMonth(day('2027-01-04')) // 4 Jan
 */
export const formatDayAndMonth = (d: Day): string => `${Number(d.slice(8))} ${formatMonth(d)}`

/**
 * `24 Dec 2026`
 *
 * @example formatDay(day('2026-03-05')) // 5 Mar 2026
 */
export const formatDay = (d: Day): string => `${formatDayAndMonth(d)} ${d.slice(0, 4)}`
/**
 * `24 Dec`, and with the year when it is not the year of `today`.
 *
 * @example formatDayShort(day('2026-03-05'), day('2026-11-26')) // 5 Mar
 * @example formatDayShort(day('2025-03-05'), day('2026-11-26')) // 5 Mar 2025
 */
export const formatDayShort = (d: Day, today: Day): string =>
  d.slice(0, 4) === today.slice(0, 4) ? formatDayAndMonth(d) : formatDay(d)
/** `Thursday, 24 December` */
export const formatDayLong = (d: Day): string =>
  `${WEEKDAYS[weekday(d) - 1]}, ${Number(d.slice(8))} ${LONG_MONTHS[Number(d.slice(5, 7)) - 1]}`

/**
 * How many days, in words; a whole number from 0 on.
 *
 * @example sayDays(1) // 1 day
 * @example sayDays(30) // 30 days
 */
export const sayDays = (days: number): string => `${days} ${days === 1 ? 'day' : 'days'}`
