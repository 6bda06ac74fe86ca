import { describe, expect, test } from 'vitest'
import { addDays, day } from '../day'
import { money } from '../money'
import {
  ageColumn,
  ageReceivables,
  backTest,
  daysToPay,
  expectByWeek,
  forecast,
  nextReminder,
  quantile,
  type ForecastDue,
} from './index'

const usd = (minor: bigint) => money(minor, 'USD')
const asOf = day('2026-11-25')

describe('ageing', () => {
  test.each([
    [-1, 'notDue'],
    [0, 'notDue'],
    [1, 'd1to30'],
    [30, 'd1to30'],
    [31, 'd31to60'],
    [60, 'd31to60'],
    [61, 'd61to90'],
    [90, 'd61to90'],
    [91, 'over90'],
  ])('%s days past is %s', (days, column) => {
    expect(ageColumn(addDays(asOf, -days), asOf)).toBe(column)
  })
  test('columns add up to the total', () => {
    const ages = ageReceivables(
      [-5, 3, 45, 75, 200].map((d, i) => ({ from: addDays(asOf, -d), open: usd(BigInt(10 ** i)) })),
      asOf,
      'USD',
    )
    expect([ages.notDue, ages.d1to30, ages.d31to60, ages.d61to90, ages.over90, ages.total].map((m) => m.minor)).toEqual(
      [1n, 10n, 100n, 1000n, 10000n, 11111n],
    )
  })
})

test('what is late is expected in the first week, what is far away not at all', () => {
  const weeks = expectByWeek(
    [
      { dueOn: day('2026-01-01'), open: usd(5n) },
      { dueOn: day('2026-12-02'), open: usd(7n) },
      { dueOn: day('2027-12-02'), open: usd(9n) },
    ],
    { today: asOf, weeks: 2, currency: 'USD' },
  )
  expect(weeks.map((w) => [w.week, w.amount.minor])).toEqual([
    ['2026-11-23', 5n],
    ['2026-11-30', 7n],
  ])
})

test('days to pay are weighted by amount; the median is not', () => {
  const paid = [
    [100n, 10],
    [300n, 30],
    [100n, 20],
  ].map(([amount, days]) => ({ amount: usd(amount as bigint), from: asOf, paidOn: addDays(asOf, days as number) }))
  // (100·10 + 300·30 + 100·20) ÷ 500 = 24
  expect(daysToPay(paid)).toEqual({ average: 24, median: 20 })
  expect(daysToPay([])).toBeNull()
})

test('own limits move the columns', () => {
  const at = (days: number) => ageColumn(addDays(asOf, -days), asOf, [14, 28, 56])
  expect([14, 15, 28, 29, 56, 57].map(at)).toEqual(['d1to30', 'd31to60', 'd31to60', 'd61to90', 'd61to90', 'over90'])
})

describe('expected money', () => {
  // Monday 23 November is the week's start; today is Wednesday 25.
  const base = { today: asOf, weeks: 4, runs: 200, seed: 7, dues: [] as ForecastDue[], lateness: {}, everybody: [] }
  test('who always pays on the day pays in that week, in every future', () => {
    const weeks = forecast({
      ...base,
      dues: [{ customerId: 1, dueOn: day('2026-12-01'), open: 500n }],
      lateness: { 1: [0, 0, 0] },
    })!
    expect(weeks.map((w) => [w.week, w.low, w.median, w.high])).toEqual([
      ['2026-11-23', 0n, 0n, 0n],
      ['2026-11-30', 500n, 500n, 500n],
      ['2026-12-07', 0n, 0n, 0n],
      ['2026-12-14', 0n, 0n, 0n],
    ])
  })
  test('what if they paid two weeks later', () => {
    const weeks = forecast({
      ...base,
      dues: [{ customerId: 1, dueOn: day('2026-12-01'), open: 500n }],
      lateness: { 1: [0, 0, 0] },
      later: { 1: 14 },
    })!
    expect(weeks.map((w) => w.median)).toEqual([0n, 0n, 0n, 500n])
  })
  test('with under three samples of their own, everybody’s count', () => {
    // Their one sample says 0 days; the business’s ten say mostly 7.
    const weeks = forecast({
      ...base,
      dues: [{ customerId: 1, dueOn: day('2026-11-30'), open: 100n }],
      lateness: { 1: [0] },
      everybody: [[0, 1] as const, [7, 9] as const],
    })!
    expect(weeks[2]!.median).toBe(100n)
  })
  test('late already: it cannot come in the past, and not sooner than it has waited', () => {
    // 10 days late, latenesses 2, 12 and 12: only the 12s are left, two days from today, in this week.
    const weeks = forecast({
      ...base,
      dues: [{ customerId: 1, dueOn: addDays(asOf, -10), open: 300n }],
      lateness: { 1: [2, 12, 12] },
    })!
    expect(weeks[0]).toMatchObject({ low: 300n, high: 300n })
  })
  test('the same seed gives the same picture, and it can be stopped', () => {
    const input = {
      ...base,
      dues: [1, 2, 3].map((id) => ({ customerId: id, dueOn: addDays(asOf, id * 5), open: 100n })),
      lateness: { 1: [0, 5, 30], 2: [3, 9, 14] },
    }
    expect(forecast(input)).toEqual(forecast(input))
    expect(forecast(input, (done) => done < 0.5)).toBeNull()
  })
  test('quantiles are nearest ranks', () => {
    const ten = [1n, 2n, 3n, 4n, 5n, 6n, 7n, 8n, 9n, 10n]
    expect([quantile(ten, 10), quantile(ten, 50), quantile(ten, 90), quantile([], 50)]).toEqual([1n, 5n, 9n, 0n])
  })
  test('a back-test counts the weeks inside the band', () => {
    const week = (low: bigint, median: bigint, high: bigint) => ({ week: asOf, low, median, high })
    expect(backTest([week(0n, 5n, 9n), week(10n, 20n, 30n)], [9n, 31n])).toEqual({
      inside: 1,
      weeks: 2,
      expected: 25n,
      came: 40n,
    })
  })
})

describe('reminders in stages', () => {
  const since = day('2026-03-01')
  const at = (today: string, ...written: [number, string][]) =>
    nextReminder(
      since,
      written.map(([stage, on]) => ({ stage, on: day(on) })),
      [7, 21, 35],
      day(today),
    )
  test.each([
    ['2026-03-07', [], 1, '2026-03-08'],
    ['2026-03-08', [], 1, null],
    ['2026-03-21', [[1, '2026-03-08']], 2, '2026-03-22'],
    ['2026-03-22', [[1, '2026-03-08']], 2, null],
    ['2026-03-28', [[1, '2026-03-20']], 2, '2026-04-03'], // written late: fourteen days between the stages all the same
    [
      '2026-05-01',
      [
        [1, '2026-03-08'],
        [2, '2026-03-22'],
        [3, '2026-04-30'],
      ],
      3,
      '2026-05-14',
    ],
    ['2026-03-09', [[3, '2026-02-20']], 1, null], // from an earlier story
  ] as const)('on %s after %j: stage %s, from %s', (today, written, stage, wait) => {
    expect(at(today, ...(written as unknown as [number, string][]))).toEqual({ stage, wait })
  })
  test('nothing late, no reminder', () => {
    expect(nextReminder(null, [], [7], since)).toBeNull()
    expect(nextReminder(since, [], [7], since)).toBeNull()
  })
})
