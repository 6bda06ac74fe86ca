import type { Day } from './day'
import { formatDay } from './formatDay'
import { wallClock } from './zone'

const two = (n: number): string => String(n).padStart(2, '0')

/**
 * The day a moment belongs to where the business is, as the business date is.
 *
 * @example in Chicago: dayAt(new Date('2026-03-02T01:30:00Z')) is 2026-03-01
 */
export const dayAt = (at: Date): Day => wallClock(at).day

/**
 * A moment as a person reads it where the business is: its day, hours and minutes.
 *
 * @example in Chicago: formatMoment(new Date('2026-03-02T01:30:00Z')) is 1 Mar 2026, 19:30
 */
export const formatMoment = (at: Date): string => {
  const { day, hour, minute } = wallClock(at)
  return `${formatDay(day)}, ${two(hour)}:${two(minute)}`
}
