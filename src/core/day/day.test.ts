import { describe, expect, test } from 'vitest'
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
    ['3 1', '2027-01-03'], // next January is nearer than the last one
    ['24.12.2025', '2025-12-24'],
    ['2026-02-28', '2026-02-28'],
  ])('%s means %s', (text, meant) => {
    const read = readDay(text, today)
    expect(read.ok && read.value).toBe(meant)
  })
  test.each(['', '31 2', '2026-02-30', 'someday', '40', '1 13'])('refuses "%s"', (text) => {
    expect(readDay(text, today).ok).toBe(false)
  })
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
