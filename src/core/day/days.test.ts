import fc from 'fast-check'
import { Temporal } from 'temporal-polyfill'
import { describe, expect, test } from 'vitest'
import { localeOf } from '../locale'
import {
  addDays,
  addMonths,
  compareDays,
  day,
  daysBetween,
  formatDay,
  formatDayLong,
  formatDayShort,
  instantOf,
  isDay,
  isDayInReach,
  monthsOf,
  laterDay,
  monthEnd,
  monthStart,
  readDay,
  weekday,
  weekStart,
  yearStart,
  type Day,
} from './index'

const anyDay = fc.integer({ min: 0, max: 60_000 }).map((n) => addDays(day('1990-01-01'), n))

describe('days written', () => {
  test.each([
    ['2026-03-05', '5 Mar 2026', 'Thursday, 5 March'],
    ['2026-12-31', '31 Dec 2026', 'Thursday, 31 December'],
    ['2028-02-29', '29 Feb 2028', 'Tuesday, 29 February'],
  ])('%s is %s, at length %s', (d, short, long) => {
    expect(formatDay(day(d))).toBe(short)
    expect(formatDayLong(day(d))).toBe(long)
  })

  test('leave the year out where it is this one', () => {
    expect(formatDayShort(day('2026-03-05'), day('2026-12-31'))).toBe('5 Mar')
    expect(formatDayShort(day('2025-12-31'), day('2026-01-01'))).toBe('31 Dec 2025')
  })

  test('are read back as what they are, whatever today is', () => {
    fc.assert(
      fc.property(anyDay, anyDay, (d, today) => {
        const [year, month, date] = d.split('-')
        for (const text of [d, formatDay(d), `${month}/${date}/${year}`])
          expect(readDay(text, today)).toEqual({ ok: true, value: d })
        expect(readDay(`${date}.${month}.${year}`, today, localeOf('de-DE'))).toEqual({ ok: true, value: d })
      }),
    )
  })
})

describe('days reckoned', () => {
  test('forward and back is where it began', () => {
    fc.assert(
      fc.property(anyDay, fc.integer({ min: -5000, max: 5000 }), (d, n) => {
        const there = addDays(d, n)
        expect(addDays(there, -n)).toBe(d)
        expect(daysBetween(d, there)).toBe(n)
        expect(compareDays(d, there)).toBe(Math.sign(-n) + 0)
      }),
    )
  })

  test('months step from their anchor and never leave the month they step into', () => {
    fc.assert(
      fc.property(anyDay, fc.integer({ min: 0, max: 60 }), (d, n) => {
        const there = addMonths(d, n)
        const [y, m] = [Number(d.slice(0, 4)), Number(d.slice(5, 7))]
        const month = y * 12 + (m - 1) + n
        expect(there.slice(0, 7)).toBe(
          `${String(Math.floor(month / 12)).padStart(4, '0')}-${String((month % 12) + 1).padStart(2, '0')}`,
        )
        expect(Number(there.slice(8))).toBe(Math.min(Number(d.slice(8)), Number(monthEnd(there).slice(8))))
      }),
    )
  })

  test('a month, a week and a year hold the day', () => {
    fc.assert(
      fc.property(anyDay, (d) => {
        expect(monthStart(d) <= d && d <= monthEnd(d)).toBe(true)
        expect(yearStart(d) <= monthStart(d)).toBe(true)
        expect(weekday(weekStart(d))).toBe(1)
        expect(daysBetween(weekStart(d), d)).toBe(weekday(d) - 1)
        expect(laterDay(d, monthEnd(d))).toBe(monthEnd(d))
      }),
    )
  })

  test('what is no day is a mistake of the program', () => {
    expect(() => day('2026-02-30')).toThrow('not a day')
    for (const text of ['2026-13-01', '26-01-01', '2026-01-01T00:00', '', '２０２６-01-01'])
      expect(isDay(text)).toBe(false)
  })

  test('sort as they follow each other', () => {
    const days = ['2026-03-02', '2025-12-31', '2026-03-01'].map((d) => d as Day)
    expect([...days].sort(compareDays)).toEqual(['2025-12-31', '2026-03-01', '2026-03-02'])
  })
})

describe('the months of a span', () => {
  const some = fc.integer({ min: 0, max: 5000 }).map((n) => addDays(day('2020-01-01'), n))
  test('follow each other without a gap, from the first day to the last', () => {
    fc.assert(
      fc.property(some, fc.integer({ min: 0, max: 900 }), (from, long) => {
        const to = addDays(from, long)
        const months = monthsOf({ from, to })
        expect(months[0]!.from).toBe(from)
        expect(months.at(-1)!.to).toBe(to)
        months.slice(1).forEach((m, i) => expect(m.from).toBe(addDays(months[i]!.to, 1)))
        for (const m of months) expect(m.from.slice(0, 7)).toBe(m.to.slice(0, 7))
      }),
    )
  })
  test('are none where the span ends before it begins', () => {
    expect(monthsOf({ from: day('2026-03-02'), to: day('2026-03-01') })).toEqual([])
  })
})

describe('days are counted as the calendar of the platform counts them', () => {
  const far = fc
    .record({
      year: fc.integer({ min: 1, max: 9800 }),
      month: fc.integer({ min: 1, max: 12 }),
      date: fc.integer({ min: 1, max: 31 }),
    })
    .map(({ year, month, date }) => Temporal.PlainDate.from({ year, month, day: date }, { overflow: 'constrain' }))
  const asDay = (d: Temporal.PlainDate) => day(d.toString())
  test('later and earlier by days and months, to the ends of weeks and months', () => {
    fc.assert(
      fc.property(
        far,
        fc.integer({ min: -50_000, max: 50_000 }),
        fc.integer({ min: -2_000, max: 2_000 }),
        (d, days, months) => {
          fc.pre(d.year > 180)
          expect(addDays(asDay(d), days)).toBe(d.add({ days }).toString())
          expect(addMonths(asDay(d), months)).toBe(d.add({ months }).toString())
          expect(weekday(asDay(d))).toBe(d.dayOfWeek)
          expect(weekStart(asDay(d))).toBe(d.subtract({ days: d.dayOfWeek - 1 }).toString())
          expect(monthEnd(asDay(d))).toBe(d.with({ day: d.daysInMonth }).toString())
        },
      ),
      { numRuns: 2000 },
    )
  })
  test('how many days lie between two of them', () => {
    fc.assert(
      fc.property(far, far, (a, b) => {
        expect(daysBetween(asDay(a), asDay(b))).toBe(a.until(b, { largestUnit: 'day' }).days)
        expect(instantOf(asDay(a))).toBe(a.toZonedDateTime('UTC').epochMilliseconds)
      }),
    )
  })
  test('which texts are days', () => {
    const text = fc.tuple(
      fc.integer({ min: 0, max: 9999 }),
      fc.integer({ min: 0, max: 14 }),
      fc.integer({ min: 0, max: 33 }),
    )
    const exists = (t: string) => {
      try {
        return Temporal.PlainDate.from(t, { overflow: 'reject' }).toString() === t
      } catch {
        return false
      }
    }
    fc.assert(
      fc.property(text, ([y, m, d]) => {
        const t = `${String(y).padStart(4, '0')}-${String(m).padStart(2, '0')}-${String(d).padStart(2, '0')}`
        expect([t, isDay(t)]).toEqual([t, exists(t)])
      }),
      { numRuns: 3000 },
    )
  })
  test.each([
    ['1990-01-01', true],
    ['2199-12-31', true],
    ['1989-12-31', false],
    ['2200-01-01', false],
    ['9999-12-31', false],
    ['2026-02-29', false],
    ['2026-1-01', false],
    ['', false],
  ])('%s is in reach of papers and reports: %s', (text, is) => {
    expect(isDayInReach(text)).toBe(is)
  })
  test('a day beyond what can be written is refused', () => {
    expect(() => addDays(day('9999-12-31'), 1)).toThrow(RangeError)
  })
})
