import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { addDays, day } from '../day'
import { addMoney, money, toDecimalString, zeroMoney } from '../money'
import { budgetOf } from './budget'

const usd = (minor: bigint) => money(minor, 'USD')
const of = (amount: bigint, from: string, to: string, year = 2026) => {
  const sum = budgetOf([{ accountId: 1, year, amount: usd(amount) }], { from: day(from), to: day(to) }, 'USD').get(1)
  return sum === undefined ? null : toDecimalString(sum)
}

describe('the budget of a span', () => {
  test.each([
    ['a month', 120_000n, '2026-01-01', '2026-01-31', '100.00'],
    // 14 of 28 days.
    ['half of February', 120_000n, '2026-02-01', '2026-02-14', '50.00'],
    ['the year, exactly', 100_003n, '2026-01-01', '2026-12-31', '1000.03'],
    // 1,000.03 over twelve: 83.34 for the first seven months, 83.33 after.
    ['the leftover cents in the earlier months', 100_003n, '2026-01-01', '2026-01-31', '83.34'],
    ['no more of them later', 100_003n, '2026-12-01', '2026-12-31', '83.33'],
    // 10 of 31 days of 100.00 are 32.26; the rest of the month is what is left.
    ['a cut month by its days', 120_000n, '2026-03-01', '2026-03-10', '32.26'],
    ['another year not at all', 120_000n, '2025-01-01', '2025-12-31', null],
    ['what lies in its year', 120_000n, '2025-12-01', '2026-02-28', '200.00'],
  ])('is %s', (_, amount, from, to, wanted) => expect(of(amount, from, to)).toBe(wanted))

  test('of several years, each account for itself', () => {
    const lines = [
      { accountId: 1, year: 2025, amount: usd(1_200n) },
      { accountId: 1, year: 2026, amount: usd(2_400n) },
      { accountId: 2, year: 2026, amount: usd(-1_200n) },
    ]
    const sums = budgetOf(lines, { from: day('2025-12-01'), to: day('2026-01-31') }, 'USD')
    expect([...sums].map(([id, sum]) => [id, sum.minor])).toEqual([
      [1, 300n],
      [2, -100n],
    ])
  })

  test('cut anywhere within a month, the parts are off the whole by a cent at most', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 363 }), fc.bigInt({ min: 0n, max: 10_000_000n }), (cut, amount) => {
        const [from, to] = [day('2026-01-01'), day('2026-12-31')]
        const at = addDays(from, cut)
        const line = { accountId: 1, year: 2026, amount: usd(amount) }
        const part = (span: { from: typeof from; to: typeof to }) =>
          budgetOf([line], span, 'USD').get(1) ?? zeroMoney('USD')
        const both = addMoney(part({ from, to: at }), part({ from: addDays(at, 1), to }))
        expect(Number(both.minor - amount)).toBeGreaterThanOrEqual(-1)
        expect(Number(both.minor - amount)).toBeLessThanOrEqual(1)
      }),
    )
  })
})
