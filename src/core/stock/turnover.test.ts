import { describe, expect, test } from 'vitest'
import { decimal, money } from '../money'
import { daysItLasts, marginOf, turnsAYear } from './index'

const usd = (minor: bigint) => money(minor, 'USD')
const selling = (sold: number, cost: bigint, onHand: number, value: bigint) => ({
  sold: decimal(sold),
  cost: usd(cost),
  onHand: decimal(onHand),
  value: usd(value),
})

describe('what sells and what lies', () => {
  test.each([
    // 600.00 in 182.5 days are 1,200.00 a year, of 400.00.
    ['sells three times a year', selling(6, 60_000n, 4, 40_000n), 182.5, '3', '122'],
    ['lies', selling(0, 0n, 4, 40_000n), 365, '0', undefined],
    ['is sold out', selling(5, 50_000n, 0, 0n), 365, undefined, undefined],
    // −0.25, rounded away from zero.
    ['came back more than it went', selling(-1, -10_000n, 4, 40_000n), 365, '-0.3', undefined],
  ])('what %s', (_, of, days, turns, lasts) => {
    expect(turnsAYear(of, days)?.toString()).toBe(turns)
    expect(daysItLasts(of, days)?.toString()).toBe(lasts)
  })

  test('a margin is of the income', () => {
    expect(marginOf(usd(25_000n), usd(15_000n))?.toString()).toBe('40')
    expect(marginOf(usd(10_000n), usd(12_550n))?.toString()).toBe('-25.5')
    expect(marginOf(usd(0n), usd(15_000n))).toBeNull()
  })
})
