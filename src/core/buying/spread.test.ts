import { describe, expect, test } from 'vitest'
import type { SpreadBy } from '../kinds'
import { decimal, money } from '../money'
import { spreadCost, type SpreadOver } from './index'

const came = (quantity: number, cents: number, weight: string | null, size: string): SpreadOver => ({
  quantity: decimal(quantity),
  value: money(BigInt(cents), 'USD'),
  weight: weight === null ? null : decimal(weight),
  size,
})
const spread = (cents: number, over: readonly SpreadOver[], by: SpreadBy) =>
  spreadCost(money(BigInt(cents), 'USD'), over, by)?.map((m) => Number(m.minor)) ?? null

describe('a cost over goods that came', () => {
  // A violin of 100.00, 2 kg and 60 × 25 × 20 cm; two cases of 50.00 together, 1 kg and 60 × 25 × 40 cm each.
  const both = [came(1, 10_000, '2', '60x25x20'), came(2, 5_000, '1', '60x25x40')]
  test.each([
    // 10.00 × 100 ÷ 150
    ['value', [667, 333]],
    ['quantity', [333, 667]],
    // 2 kg and 2 × 1 kg
    ['weight', [500, 500]],
    // 30,000 and 2 × 60,000 cm³
    ['volume', [200, 800]],
  ] as [SpreadBy, number[]][])('by %s', (by, shares) => expect(spread(1000, both, by)).toEqual(shares))

  test('falls on those alone of which it is known, and on nobody where none is', () => {
    const some = [came(1, 10_000, null, ''), came(2, 5_000, '1', '30x25x20')]
    expect(spread(1000, some, 'weight')).toEqual([0, 1000])
    expect(spread(1000, some, 'volume')).toEqual([0, 1000])
    const unknown = [came(1, 10_000, null, ''), came(2, 5_000, null, 'long')]
    expect(spread(1000, unknown, 'weight')).toBeNull()
    expect(spread(1000, unknown, 'volume')).toBeNull()
    expect(spread(1000, unknown, 'quantity')).toEqual([333, 667])
  })
})
