import { describe, expect, test } from 'vitest'
import { day } from '../day'
import { money } from '../money'
import { daysToPay, forecast, nextReminder, type ForecastDue } from './index'

const usd = (minor: bigint) => money(minor, 'USD')
/** A Monday. */
const today = day('2026-11-23')

describe('how long a customer takes', () => {
  const paid = (amount: bigint, on: string) => ({ amount: usd(amount), from: day('2026-03-01'), paidOn: day(on) })
  test('of an even number the median lies between the two in the middle', () => {
    expect(daysToPay([paid(300n, '2026-03-21'), paid(100n, '2026-03-11')])).toEqual({ average: 17.5, median: 15 })
  })
  test('dues of nothing have no weight', () => {
    expect(daysToPay([paid(0n, '2026-03-11')])).toEqual({ average: 0, median: 10 })
  })
})

describe('expected money', () => {
  /** The medians of three weeks, where every future is the same one. */
  const weeks = (due: Omit<ForecastDue, 'open'>, lateness: Readonly<Record<number, readonly number[]>>) => {
    const everybody = Object.values(lateness).flatMap((of) => of.map((days) => [days, 1] as const))
    const told = forecast({ today, weeks: 3, runs: 60, seed: 7, dues: [{ ...due, open: 100n }], lateness, everybody })!
    for (const { low, high } of told) expect(low).toBe(high)
    return told.map(({ median }) => Number(median))
  }
  const lateSince = (dueOn: string) => ({ customerId: 1, dueOn: day(dueOn) })
  test('without any past it is paid on its day, and what is late at once', () => {
    expect(weeks(lateSince('2026-12-01'), {})).toEqual([0, 100, 0])
    expect(weeks(lateSince('2026-11-13'), {})).toEqual([100, 0, 0])
  })
  test('what has waited ten days can only take what is as long or longer', () => {
    // Twenty days after the thirteenth: the third of December.
    expect(weeks(lateSince('2026-11-13'), { 1: [2, 3, 20] })).toEqual([0, 100, 0])
    expect(weeks(lateSince('2026-11-13'), { 1: [10, 10, 10] })).toEqual([100, 0, 0])
  })
  test('what has outlasted all of them waits as long again as one of the longest took', () => {
    // Ten days waited, and nine more: the second of December. The two that were short are not among the longest three.
    expect(weeks(lateSince('2026-11-13'), { 1: [9, 0, 9, 1, 9] })).toEqual([0, 100, 0])
  })
  test('three of one’s own count before everybody’s; two do not', () => {
    const next = lateSince('2026-11-24')
    expect(weeks(next, { 1: [0, 0, 0], 2: [14, 14, 14] })).toEqual([100, 0, 0])
    expect(weeks({ ...next, customerId: 3 }, { 3: [14, 14], 2: [14, 14, 14] })).toEqual([0, 0, 100])
  })
})

test('no reminder where nothing is late, or none is written at all', () => {
  expect(nextReminder(null, [], [7], today)).toBeNull()
  expect(nextReminder(today, [], [7], today)).toBeNull()
  expect(nextReminder(day('2026-01-01'), [], [], today)).toBeNull()
  expect(nextReminder(day('2026-11-22'), [], [0], today)).toEqual({ stage: 1, wait: null })
})
