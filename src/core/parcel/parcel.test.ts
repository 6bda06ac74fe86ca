import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { decimal } from '../money'
import { boxFor, chargedWeight, freight, readSize, sizeText, weightOf, type ToPack } from './index'

const piece = (quantity: number, weight: string | null, size = ''): ToPack => ({
  quantity: decimal(quantity),
  weight: weight === null ? null : decimal(weight),
  size,
})

describe('sizes', () => {
  test.each([
    ['40 × 25 × 12', '40 × 25 × 12'],
    ['12x40X25', '40 × 25 × 12'],
    ['7,5 × 3 * 1.25', '7.5 × 3 × 1.25'],
  ])('%s is read as %s', (typed, shown) => expect(sizeText(readSize(typed)!)).toBe(shown))
  test.each(['', '40 × 25', 'big', '40 × 25 × 0', '40 × 25 × -3', '1e3 × 2 × 2'])('%s is no size', (typed) =>
    expect(readSize(typed)).toBeNull(),
  )
})

describe('a box', () => {
  test.each([
    ['strings', [piece(12, '0.03', '14 × 12 × 0.2')], 'Letter box'],
    ['nothing known', [piece(1, null)], 'Letter box'],
    ['a violin in its case', [piece(1, '2', '80 × 30 × 15')], 'Violin box'],
    // 2 × 36,000 cm³ fit into 78,750, but not with rosin of 10,000 beside them.
    ['two violins', [piece(2, '2', '80 × 30 × 15')], 'Violin box'],
    ['two violins and more', [piece(2, '2', '80 × 30 × 15'), piece(1, '1', '40 × 25 × 10')], 'Large box'],
    ['what fits nowhere', [piece(1, '9', '200 × 90 × 90')], 'Cello box'],
  ])('for %s', (_, items, name) => expect(boxFor(items).name).toBe(name))

  test('weighs with what is in it, what is not weighed as nothing', () => {
    const items = [piece(3, '0.25'), piece(1, null)]
    // 0.08 of the letter box and 3 × 0.25
    expect(weightOf(items, boxFor(items)).toString()).toBe('0.83')
  })
})

describe('freight', () => {
  const tariff = { base: decimal('4.9'), perKilogram: decimal('1.15') }
  test('is by weight, or by volume where that is more', () => {
    expect(chargedWeight({ weight: decimal('0.5'), size: '40 × 30 × 15' }).toString()).toBe('3.6')
    expect(chargedWeight({ weight: decimal('9'), size: '40 × 30 × 15' }).toString()).toBe('9')
    // 4.90 + 3.6 × 1.15 = 9.04
    expect(freight(tariff, { weight: decimal('0.5'), size: '40 × 30 × 15' }).toString()).toBe('9.04')
  })
  test('grows with the weight', () => {
    const kilograms = fc.integer({ min: 0, max: 60_000 }).map((g) => decimal(g).div(1000))
    fc.assert(
      fc.property(kilograms, kilograms, (a, b) => {
        const price = (weight: typeof a) => freight(tariff, { weight, size: '' }).toNumber()
        if (a.lt(b)) expect(price(a)).toBeLessThanOrEqual(price(b))
      }),
    )
  })
})
