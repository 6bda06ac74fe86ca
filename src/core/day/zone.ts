import { keptOnce } from '../keptOnce'
import { day, type Day } from './day'

interface Clock {
  readonly zone: string
  readonly tells: Intl.DateTimeFormat
}
/** Kept for the whole process, as the locale is. */
const kept = () => keptOnce<{ now?: Clock }>('iron-till/time-zone', () => ({}))

/** In years, months, days, hours and minutes of the calendar everybody writes; of the machine's own zone where none is named. */
const clockOf = (zone: string): Intl.DateTimeFormat =>
  new Intl.DateTimeFormat('en-US', {
    calendar: 'gregory',
    numberingSystem: 'latn',
    hourCycle: 'h23',
    ...{ year: 'numeric', month: '2-digit', day: '2-digit', hour: '2-digit', minute: '2-digit' },
    ...(zone === '' ? {} : { timeZone: zone }),
  })

/**
 * Whether there is a time zone of a name (IANA).
 *
 * @example isZone('America/Chicago') // true
 * @example isZone('Chicago') // false
 */
export const isZone = (name: string): boolean => {
  try {
    return name !== '' && clockOf(name).resolvedOptions().timeZone !== ''
  } catch {
    return false
  }
}

/** The zones to choose from, by name, and the one that is chosen where it is none of them. */
export const zonesWith = (chosen: string): string[] =>
  [...new Set([...Intl.supportedValuesOf('timeZone'), 'UTC', ...(chosen === '' ? [] : [chosen])])].sort()

/**
 * By which zone it is called a day from now on; empty for that of the machine, which also holds where this one does not know the zone.
 * Called where the business is read.
 */
export const liveIn = (zone: string): void => {
  if (kept().now?.zone !== zone) kept().now = { zone, tells: clockOf(isZone(zone) ? zone : '') }
}

/** Whether it is known yet where the business is. */
export const isZoneKnown = (): boolean => kept().now !== undefined

/** What the clock on the wall of the business says at a moment. */
export interface WallClock {
  readonly day: Day
  readonly hour: number
  readonly minute: number
}

/**
 * Day, hour and minute of a moment where the business is; whatever they are in London by then. Once an hour of the clock comes twice a
 * year, and once it does not come: both are told as the clock tells them.
 *
 * @example in Chicago: wallClock(new Date('2026-03-02T01:30:00Z')) is { day: '2026-03-01', hour: 19, minute: 30 }
 */
export const wallClock = (at: Date): WallClock => {
  const parts = new Map((kept().now?.tells ?? clockOf('')).formatToParts(at).map((p) => [p.type, p.value]))
  const part = (type: Intl.DateTimeFormatPartTypes): string => parts.get(type) ?? ''
  return {
    day: day(`${part('year').padStart(4, '0')}-${part('month')}-${part('day')}`),
    hour: Number(part('hour')),
    minute: Number(part('minute')),
  }
}
