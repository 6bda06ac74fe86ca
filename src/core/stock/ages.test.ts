import fc from 'fast-check'
import { expect, test } from 'vitest'
import { decimal, money, sumMoney, toDecimalString } from '../money'
import { AGE_LIMITS, ageOf, valueByAge } from './index'

test('the ages begin on the day after each limit', () => {
  expect([0, 30, 31, 90, 91, 180, 181, 365, 366].map(ageOf)).toEqual([0, 0, 1, 1, 2, 2, 3, 3, 4])
})

test('the parts make the whole, whatever lies how long', () => {
  const quantities = fc.array(fc.integer({ min: 0, max: 9 }).map(decimal), { minLength: 5, maxLength: 5 })
  fc.assert(
    fc.property(fc.bigInt({ min: 0n, max: 10n ** 9n }), quantities, (minor, byAge) => {
      fc.pre(byAge.some((q) => q.gt(0)))
      const parts = valueByAge(money(minor, 'USD'), byAge)
      expect(parts).toHaveLength(AGE_LIMITS.length + 1)
      expect(sumMoney(parts, 'USD').minor).toBe(minor)
      // What does not lie is worth nothing.
      parts.forEach((p, i) => byAge[i]!.eq(0) && expect(p.minor).toBe(0n))
    }),
  )
  expect(valueByAge(money(1000n, 'USD'), [2, 0, 0, 0, 1].map(decimal)).map(toDecimalString)).toEqual([
    '6.67',
    '0.00',
    '0.00',
    '0.00',
    '3.33',
  ])
})
