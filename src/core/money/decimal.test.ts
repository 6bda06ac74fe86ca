import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { ceil, decimal, floor, isWhole, power, root } from './index'

const cents = fc.integer({ min: -1_000_000, max: 1_000_000 })

describe('decimals', () => {
  test('sums and products lose nothing, however many digits they have', () => {
    fc.assert(
      fc.property(
        fc.bigInt({ min: -(10n ** 50n), max: 10n ** 50n }),
        fc.bigInt({ min: 1n, max: 10n ** 50n }),
        (a, b) => {
          expect(decimal(a).plus(b).toFixed(0)).toBe((a + b).toString())
          expect(decimal(a).times(b).toFixed(0)).toBe((a * b).toString())
        },
      ),
    )
  })

  test('the whole numbers below and above are what integers say', () => {
    fc.assert(
      fc.property(cents, (n) => {
        const value = decimal(n).div(100)
        expect(Number(floor(value).toString())).toBe(Math.floor(n / 100) || 0)
        expect(Number(ceil(value).toString())).toBe(Math.ceil(n / 100) || 0)
        expect(isWhole(value)).toBe(n % 100 === 0)
      }),
    )
  })

  test.each(['1e61', '1e-61', '1'.repeat(62)])('%s is more than anything the program holds', (text) => {
    expect(() => decimal(text)).toThrow(RangeError)
  })
  test.each(['', 'abc', '0x10', 'Infinity', 'NaN', '1,5', '--1'])('“%s” is no decimal', (text) => {
    expect(() => decimal(text)).toThrow()
  })

  test('zero is written without a sign', () => {
    expect([decimal('-0').toString(), decimal(0).neg().toFixed(2), decimal('-0.5').times(0).toString()]).toEqual([
      '0',
      '0.00',
      '0',
    ])
  })

  test('a high power stays short, and a root to its power is the number again', () => {
    expect(power(decimal('1.0001'), 10_000).toString().length).toBeLessThan(45)
    fc.assert(
      fc.property(fc.integer({ min: 10_000, max: 110_000 }), fc.integer({ min: 1, max: 366 }), (tenThousandths, n) => {
        const value = decimal(tenThousandths).div(10_000)
        expect(power(root(value, n), n).minus(value).abs().lt('1e-20')).toBe(true)
      }),
    )
  })
})
