import { afterEach, expect, test } from 'vitest'
import { dayAt, formatMoment, isZone, liveIn, wallClock, zonesWith } from './index'

afterEach(() => liveIn(''))

test('a moment is told by the clock of the machine where no zone is named', () => {
  expect(formatMoment(new Date(2026, 2, 1, 9, 5))).toBe('1 Mar 2026, 09:05')
  // Late in the evening and just after midnight are the days the clock on the wall says, in whichever zone it hangs.
  expect([dayAt(new Date(2026, 2, 1, 23, 59)), dayAt(new Date(2026, 2, 2, 0, 1))]).toEqual(['2026-03-01', '2026-03-02'])
  expect(dayAt(new Date(2026, 11, 31, 12))).toBe('2026-12-31')
})

test.each([
  // 19:30 in the evening before, and half past two in the afternoon after.
  ['America/Chicago', '2026-03-02T01:30:00Z', '1 Mar 2026, 19:30'],
  ['Pacific/Auckland', '2026-03-02T01:30:00Z', '2 Mar 2026, 14:30'],
  // Midnight is the first hour of its day, not the last of the one before.
  ['Asia/Kolkata', '2026-01-31T18:30:00Z', '1 Feb 2026, 00:00'],
  ['UTC', '2027-01-01T00:00:00Z', '1 Jan 2027, 00:00'],
  // The hour that comes twice: 01:30 in summer time and an hour later in winter time.
  ['America/New_York', '2026-11-01T05:30:00Z', '1 Nov 2026, 01:30'],
  ['America/New_York', '2026-11-01T06:30:00Z', '1 Nov 2026, 01:30'],
  ['America/New_York', '2026-03-08T07:00:00Z', '8 Mar 2026, 03:00'],
])('in %s %s is %s', (zone, at, says) => {
  liveIn(zone)
  expect(formatMoment(new Date(at))).toBe(says)
})

test('every minute of two days in any zone belongs to the day its clock shows, and days never go back', () => {
  for (const zone of ['America/St_Johns', 'Europe/Berlin', 'Asia/Kathmandu', 'Pacific/Apia']) {
    liveIn(zone)
    const from = Date.UTC(2026, 9, 24)
    const clocks = Array.from({ length: 2880 }, (_, i) => wallClock(new Date(from + i * 60_000)))
    expect(clocks.every((c) => c.hour >= 0 && c.hour < 24 && c.minute >= 0 && c.minute < 60)).toBe(true)
    expect(clocks.every((c, i) => i === 0 || c.day >= clocks[i - 1]!.day)).toBe(true)
    expect(new Set(clocks.map((c) => c.day)).size).toBe(3)
  }
})

test('zones to choose from are all that there are, and the chosen one', () => {
  const zones = zonesWith('')
  expect(zones.filter((z) => !isZone(z))).toEqual([])
  for (const zone of ['America/Chicago', 'Europe/Berlin', 'UTC']) expect(zones).toContain(zone)
  expect([zonesWith('UTC'), zonesWith('Old/Zone').includes('Old/Zone')]).toEqual([zones, true])
})

test('a zone is one that there is', () => {
  expect(['America/Chicago', 'Europe/Berlin', 'UTC'].every(isZone)).toBe(true)
  expect(['', 'Chicago', 'Mars/Base', 'America/Chicago; drop table'].some(isZone)).toBe(false)
})
