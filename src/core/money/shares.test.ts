import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  absMoney,
  addMoney,
  compareMoney,
  decimal,
  evaluateAmount,
  formatBalance,
  formatMoney,
  formatPrice,
  isPositiveMoney,
  isZeroMoney,
  largerMoney,
  minorDigits,
  money,
  multiplyMoney,
  negateMoney,
  parseMoney,
  percentOf,
  roundToCoins,
  roundToMoney,
  shareInTurn,
  shareMoney,
  smallerMoney,
  subtractMoney,
  sumMoney,
  toDecimal,
  toDecimalString,
  toFourPlaces,
  zeroMoney,
  type Money,
} from './index'

const usd = (text: string): Money => {
  const read = parseMoney(text, 'USD')
  if (!read.ok) throw new Error(text)
  return read.value
}
const texts = (amounts: readonly Money[]) => amounts.map(toDecimalString)
const anyMoney = fc.bigInt(-(10n ** 12n), 10n ** 12n).map((minor) => money(minor, 'USD'))

describe('amounts', () => {
  test('of two currencies are never put together', () => {
    const yen = money(1n, 'JPY')
    for (const mixed of [
      () => addMoney(usd('1.00'), yen),
      () => subtractMoney(usd('1.00'), yen),
      () => compareMoney(usd('1.00'), yen),
      () => sumMoney([usd('1.00'), yen], 'USD'),
    ])
      expect(mixed).toThrow()
  })

  test('add and take away without loss, at any size', () => {
    fc.assert(
      fc.property(anyMoney, anyMoney, (a, b) => {
        expect(subtractMoney(addMoney(a, b), b)).toEqual(a)
        expect(addMoney(a, negateMoney(a)).minor).toBe(0n)
        expect(largerMoney(a, b).minor + smallerMoney(a, b).minor).toBe(a.minor + b.minor)
        expect(compareMoney(a, b) + compareMoney(b, a)).toBe(0)
        expect(isPositiveMoney(absMoney(a)) || isZeroMoney(a)).toBe(true)
      }),
    )
  })

  test.each([
    ['12.345', '12.35'], // half a cent goes away from zero
    ['12.344999', '12.34'],
    ['-12.345', '-12.35'],
    ['0.004', '0.00'],
  ])('%s becomes %s', (text, expected) => {
    expect(toDecimalString(roundToMoney(decimal(text), 'USD'))).toBe(expected)
  })

  test.each([
    ['JPY', 0, '1,235'],
    ['USD', 2, '1,234.50'],
    ['KWD', 3, '1,234.500'],
  ])('in %s have %i places', (currency, digits, shown) => {
    expect(minorDigits(currency)).toBe(digits)
    expect(formatMoney(roundToMoney(decimal('1234.5'), currency))).toBe(shown)
  })

  test('times a quantity are rounded once', () => {
    // 3 × 0.07 = 0.21; a third of 10.00 = 3.3333…
    expect(toDecimalString(multiplyMoney(usd('0.07'), decimal(3)))).toBe('0.21')
    expect(toDecimalString(multiplyMoney(usd('10.00'), decimal(1).div(3)))).toBe('3.33')
    expect(toDecimal(usd('12.50')).toString()).toBe('12.5')
  })

  test('as prices show the places they have, as balances their side', () => {
    expect(formatPrice(decimal('12.5'), 'USD')).toBe('12.50')
    expect(formatPrice(decimal('0.3333'), 'USD')).toBe('0.3333')
    expect(formatBalance(usd('-120.00'))).toBe('120.00 cr')
    expect(formatBalance(usd('120.00'))).toBe('120.00')
    expect(toFourPlaces(decimal('1.23456'))).toBe('1.2346')
  })
})

describe('an amount shared over others', () => {
  test.each([
    ['10.00', ['200.00', '100.00'], ['6.67', '3.33']],
    ['0.01', ['1.00', '1.00', '1.00'], ['0.01', '0.00', '0.00']],
    ['-10.00', ['200.00', '100.00'], ['-6.67', '-3.33']],
    ['10.00', ['0.00', '0.00'], ['10.00', '0.00']],
    ['0.00', ['5.00', '7.00'], ['0.00', '0.00']],
  ])('%s over %j is %j', (amount, over, expected) => {
    expect(texts(shareMoney(usd(amount), over.map(usd)))).toEqual(expected)
  })

  test('one part after the other comes to the whole in any order of sizes', () => {
    const parts = fc.array(fc.bigInt(1n, 10_000n), { minLength: 1, maxLength: 12 })
    fc.assert(
      fc.property(fc.bigInt(0n, 10n ** 7n), parts, (minor, sizes) => {
        const whole = money(
          sizes.reduce((a, b) => a + b, 0n),
          'USD',
        )
        let before = zeroMoney('USD')
        const shares = sizes.map((size) => {
          const part = money(size, 'USD')
          const share = shareInTurn(money(minor, 'USD'), { whole, before, part })
          before = addMoney(before, part)
          return share
        })
        expect(sumMoney(shares, 'USD').minor).toBe(minor)
        for (const share of shares) expect(share.minor).toBeGreaterThanOrEqual(0n)
      }),
    )
  })

  test('a part beyond the whole takes nothing more', () => {
    const whole = usd('100.00')
    expect(texts([shareInTurn(usd('10.01'), { whole, before: whole, part: usd('5.00') })])).toEqual(['0.00'])
    expect(texts([shareInTurn(usd('10.01'), { whole, before: usd('50.00'), part: usd('80.00') })])).toEqual(['5.00'])
  })
})

describe('coins', () => {
  test.each([
    ['12.02', 5, '12.00'],
    ['12.03', 5, '12.05'],
    ['12.025', 5, '12.05'],
    ['-12.03', 5, '-12.05'],
    ['12.02', 1, '12.02'],
    ['12.50', 100, '13.00'],
    ['12.49', 100, '12.00'],
  ])('%s in steps of %i is %s', (amount, step, expected) => {
    const exact = roundToMoney(decimal(amount), 'USD')
    expect(toDecimalString(roundToCoins(exact, step))).toBe(expected)
  })

  test('are never off by more than half a step', () => {
    fc.assert(
      fc.property(anyMoney, fc.integer({ min: 1, max: 1000 }), (amount, step) => {
        const rounded = roundToCoins(amount, step)
        expect(absMoney(subtractMoney(rounded, amount)).minor * 2n).toBeLessThanOrEqual(BigInt(step))
        expect(rounded.minor % BigInt(step)).toBe(0n)
      }),
    )
  })
})

describe('a part of a whole in percent', () => {
  test.each([
    ['1.00', '3.00', 33.33],
    ['3.00', '3.00', 100],
    ['0.00', '3.00', 0],
    ['1.00', '0.00', 0],
  ])('%s of %s is %d', (part, whole, expected) => {
    expect(percentOf(usd(part), usd(whole))).toBe(expected)
  })
})

describe('a sum typed into a field', () => {
  test.each([
    ['12*45', '540'],
    ['450-10%', '405'],
    ['100+8.25%', '108.25'],
    ['(2+3)*4', '20'],
    ['1,250.00', '1250'],
    ['-5', '-5'],
  ])('%s is %s', (text, expected) => {
    const read = evaluateAmount(text)
    expect(read.ok && read.value.toString()).toBe(expected)
  })
  test.each(['', 'abc', '12*', '(2', '1/0', '2**3', '9'.repeat(400)])('%s is none', (text) => {
    expect(evaluateAmount(text).ok).toBe(false)
  })
})
