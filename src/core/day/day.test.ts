import { describe, expect, test } from 'vitest'
import { localeOf } from '../locale'
import { addMonths, day, daysBetween, isDay, readDay, weekStart } from './index'

const today = day('2026-11-25') // a Wednesday

describe('reading what was typed', () => {
  test.each([
    ['t', '2026-11-25'],
    ['y', '2026-11-24'],
    ['+30', '2026-12-25'],
    ['-7', '2026-11-18'],
    ['+2m', '2027-01-25'],
    ['eom', '2026-11-30'],
    ['fri', '2026-11-27'],
    ['wed', '2026-12-02'],
    ['24', '2026-11-24'],
    ['24 12', '2026-12-24'],
    ['24 dec', '2026-12-24'],
    ['12/24', '2026-12-24'],
    ['dec 24', '2026-12-24'],
    ['December 24, 2026', '2026-12-24'],
    ['1 3', '2027-01-03'], // the month first; next January is nearer than the last one
    ['3/4/27', '2027-03-04'],
    ['24.12.2025', '2025-12-24'], // no month is the 24th
    ['2026-02-28', '2026-02-28'],
    ['today', '2026-11-25'],
    [' Yesterday ', '2026-11-24'],
    ['y', '2026-11-24'],
    ['mon', '2026-11-30'],
    ['FRIDAY', '2026-11-27'],
    ['+2w', '2026-12-09'],
    ['-1w', '2026-11-18'],
    ['-2m', '2026-09-25'],
  ])('%s means %s', (text, meant) => {
    const read = readDay(text, today)
    expect(read.ok && read.value).toBe(meant)
  })
  test.each([
    '',
    '31 2',
    '2/30',
    '2026-02-30',
    'someday',
    '40',
    '13 13',
    'dec',
    'dec jan',
    '1 2 3 4',
    '4 5 203',
    'decade 4',
    '+5x',
    'fri5',
    '5fri',
    '123',
    '12 345',
    '345 12',
    'dec 24 2026 9',
    'dec 24 20265',
  ])('refuses "%s"', (text) => {
    expect(readDay(text, today)).toEqual({ ok: false, error: { code: 'not-a-day', text } })
  })
})

test.each([
  ['3/4', '2027-04-03'], // 237 days behind, 129 ahead
  ['12 24', '2026-12-24'], // no month is the 24th
  ['4 dec', '2026-12-04'],
  ['1.2.2027', '2027-02-01'],
  ['24.12.', '2026-12-24'],
])('where the day comes first, %s means %s', (text, meant) => {
  const read = readDay(text, today, localeOf('en-GB'))
  expect(read.ok && read.value).toBe(meant)
})

test('month steps remember the anchor day', () => {
  const anchor = day('2027-01-31')
  expect([1, 2, 3].map((n) => addMonths(anchor, n))).toEqual(['2027-02-28', '2027-03-31', '2027-04-30'])
})

test('days are counted over a leap day and a change of clocks', () => {
  expect(daysBetween(day('2028-02-28'), day('2028-03-01'))).toBe(2)
  expect(daysBetween(day('2026-03-28'), day('2026-03-30'))).toBe(2)
})

test('weeks begin on Monday', () => {
  expect(weekStart(today)).toBe('2026-11-23')
  expect(weekStart(day('2026-11-23'))).toBe('2026-11-23')
})

test('only real calendar days are days', () => {
  expect(isDay('2026-02-29')).toBe(false)
  expect(isDay('2028-02-29')).toBe(true)
  expect(isDay('2026-2-9')).toBe(false)
})
