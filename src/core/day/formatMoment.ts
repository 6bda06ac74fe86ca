import { day, type Day } from './day'
import { formatDay } from './formatDay'

const two = (n: number): string => String(n).padStart(2, '0')

/**
 * The day a moment belongs to where the program runs, as the business date is; whatever day it is in London by then.
 *
 * @example dayAt(new Date(2026, 2, 1, 23, 30)) // 2026-03-01
 */
export const dayAt = (at: Date): Day =>
  day(`${String(at.getFullYear()).padStart(4, '0')}-${two(at.getMonth() + 1)}-${two(at.getDate())}`)

/**
 * A moment as a person reads it where the program runs: its day, hours and minutes.
 *
 * @example formatMoment(new Date(2026, 2, 1, 9, 5)) // 1 Mar 2026, 09:05
 */
export const formatMoment = (at: Date): string =>
  `${formatDay(dayAt(at))}, ${two(at.getHours())}:${two(at.getMinutes())}`
