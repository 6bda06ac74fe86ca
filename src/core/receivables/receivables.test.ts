import { describe, expect, test } from 'vitest'
import { addDays, day } from '../day'
import { money } from '../money'
import { ageColumn, ageReceivables, daysToPay, expectByWeek } from './index'

const usd = (minor: bigint) => money(minor, 'USD')
const asOf = day('2026-11-25')

describe('ageing', () => {
  test.each([
    [-1, 'notDue'], [0, 'notDue'], [1, 'd1to30'], [30, 'd1to30'], [31, 'd31to60'], [60, 'd31to60'], [61, 'd61to90'], [90, 'd61to90'], [91, 'over90'],
  ])('%s days past is %s', (days, column) => {
    expect(ageColumn(addDays(asOf, -days), asOf)).toBe(column)
  }) // prettier-ignore
  test('columns add up to the total', () => {
    const ages = ageReceivables(
      [-5, 3, 45, 75, 200].map((d, i) => ({ from: addDays(asOf, -d), open: usd(BigInt(10 ** i)) })),
      asOf,
      'USD',
    )
    expect(
      [ages.notDue, ages.d1to30, ages.d31to60, ages.d61to90, ages.over90, ages.total].map((m) => m.minor),
    ).toEqual([1n, 10n, 100n, 1000n, 10000n, 11111n])
  })
})

test('what is late is expected in the first week, what is far away not at all', () => {
  const weeks = expectByWeek([{ dueOn: day('2026-01-01'), open: usd(5n) }, { dueOn: day('2026-12-02'), open: usd(7n) }, { dueOn: day('2027-12-02'), open: usd(9n) }], { today: asOf, weeks: 2, currency: 'USD' }) // prettier-ignore
  expect(weeks.map((w) => [w.week, w.amount.minor])).toEqual([['2026-11-23', 5n], ['2026-11-30', 7n]]) // prettier-ignore
})

test('days to pay are weighted by amount; the median is not', () => {
  const paid = [[100n, 10], [300n, 30], [100n, 20]].map(([amount, days]) => ({ amount: usd(amount as bigint), from: asOf, paidOn: addDays(asOf, days as number) })) // prettier-ignore
  // (100·10 + 300·30 + 100·20) ÷ 500 = 24
  expect(daysToPay(paid)).toEqual({ average: 24, median: 20 })
  expect(daysToPay([])).toBeNull()
})
