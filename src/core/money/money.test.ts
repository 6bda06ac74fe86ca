import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  decimal,
  evaluateAmount,
  formatBalance,
  formatWhole,
  formatMoney,
  money,
  parseMoney,
  percentOf,
  roundToMoney,
  splitMoney,
  toDecimalString,
} from './index'

const usd = (minor: bigint) => money(minor, 'USD')

describe('rounding to money', () => {
  test.each([
    ['2.345', 'USD', 235n, 'half goes up'],
    ['-2.345', 'USD', -235n, 'half goes away from zero below it'],
    ['2.3449999', 'USD', 234n, 'less than half goes down'],
    ['1250.5', 'JPY', 1251n, 'a currency without minor units'],
    ['1.0005', 'KWD', 1001n, 'a currency with three digits'],
  ])('%s %s → %s: %s', (value, currency, minor) => {
    expect(roundToMoney(decimal(value), currency).minor).toBe(minor)
  })
})

describe('splitting', () => {
  test('gives the leftover cent to the earlier part', () => {
    expect(splitMoney(usd(100_000n), [1, 1, 1].map(decimal)).map((m) => m.minor)).toEqual([33334n, 33333n, 33333n])
  })
  test('gives leftover cents to the parts that lost most, whatever their order', () => {
    // 1.00 over 1 : 1 : 4 is 16.67, 16.67, 66.67 cents; two cents are left and go to the two thirds that lost .67 first in order
    expect(splitMoney(usd(100n), [1, 1, 4].map(decimal)).map((m) => m.minor)).toEqual([17n, 17n, 66n])
  })
  test('splits a credit like its positive twin', () => {
    expect(splitMoney(usd(-100n), [1, 1, 1].map(decimal)).map((m) => m.minor)).toEqual([-34n, -33n, -33n])
  })
  test('puts everything on the first part when no part weighs anything', () => {
    expect(splitMoney(usd(5n), [0, 0].map(decimal)).map((m) => m.minor)).toEqual([5n, 0n])
  })
  test('parts always add up again and none is off by more than a cent', () => {
    fc.assert(
      fc.property(
        fc.bigInt(-(10n ** 12n), 10n ** 12n),
        fc.array(fc.nat(10_000), { minLength: 1, maxLength: 20 }),
        (minor, weights) => {
          const parts = splitMoney(usd(minor), weights.map(decimal))
          expect(parts.reduce((sum, p) => sum + p.minor, 0n)).toBe(minor)
          const whole = weights.reduce((a, b) => a + b, 0)
          if (whole === 0) return
          parts.forEach((p, i) => {
            const exact = decimal(minor).times(weights[i]!).div(whole)
            expect(exact.minus(decimal(p.minor)).abs().lt(1)).toBe(true)
          })
        },
      ),
    )
  })
})

describe('reading and writing', () => {
  test.each([
    ['412.50', 41250n],
    ['1,250.00', 125000n],
    ['0.05', 5n],
    ['-3', -300n],
  ])('reads %s', (text, minor) => {
    const read = parseMoney(text, 'USD')
    expect(read.ok && read.value.minor).toBe(minor)
  })
  test.each([
    ['1.005', 'too-many-digits'],
    ['12,50', 'not-an-amount'],
    ['1e3', 'not-an-amount'],
    ['', 'not-an-amount'],
    ['9999999999999999', 'amount-too-large'],
  ])('refuses %s', (text, code) => {
    const read = parseMoney(text, 'USD')
    expect(!read.ok && read.error.code).toBe(code)
  })
  test('what is written is read again as the same amount', () => {
    fc.assert(
      fc.property(fc.bigInt(-(10n ** 14n), 10n ** 14n), fc.constantFrom('USD', 'JPY', 'KWD'), (minor, currency) => {
        for (const write of [toDecimalString, formatMoney]) {
          const read = parseMoney(write(money(minor, currency)), currency)
          expect(read.ok && read.value.minor).toBe(minor)
        }
      }),
    )
  })
  test('a credit balance says so', () => {
    expect(formatBalance(usd(-12000n))).toBe('120.00 cr')
    expect(formatBalance(usd(123456n))).toBe('1,234.56')
  })
  test.each([
    [1801250n, 'USD', '18,013'],
    [-1801250n, 'USD', '−18,013'],
    [-49n, 'USD', '0'],
    [1234567n, 'JPY', '1,234,567'],
    [1499499n, 'KWD', '1,499'],
  ])('%i of %s without its minor units is %s', (minor, currency, text) => {
    expect(formatWhole(money(minor, currency))).toBe(text)
  })
})

describe('sums in a money field', () => {
  test.each([
    ['12*45', '540'],
    ['450-10%', '405'],
    ['100+8.25%', '108.25'],
    ['(3+2)*8', '40'],
    ['1,250.00', '1250'],
    ['50%', '0.5'],
    ['10-2-3', '5'],
  ])('%s is %s', (text, value) => {
    const read = evaluateAmount(text)
    expect(read.ok && read.value.toString()).toBe(value)
  })
  test.each(['', '12*', '1/0', '2**3', 'abc', '(1'])('refuses "%s"', (text) => {
    expect(evaluateAmount(text).ok).toBe(false)
  })
})

test.each([
  // A third is cut to two places; a part of nothing is nothing.
  [100n, 300n, 33.33],
  [300n, 300n, 100],
  [5n, 0n, 0],
  [5n, -10n, 0],
])('%s of %s is %s percent', (part, whole, percent) => {
  expect(percentOf(usd(part), usd(whole))).toBe(percent)
})
