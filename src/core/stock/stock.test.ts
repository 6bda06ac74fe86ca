import fc from 'fast-check'
import { expect, test } from 'vitest'
import { decimal, money } from '../money'
import { kitsAvailable, leaveAtAverage, setAside, unitCost, valueAt } from './index'

const usd = (minor: bigint) => money(minor, 'USD')

test('goods leave at average, and the last take what is left', () => {
  expect(leaveAtAverage({ quantity: decimal(3), value: usd(1000n) }, decimal(1)).minor).toBe(333n)
  expect(leaveAtAverage({ quantity: decimal(1), value: usd(334n) }, decimal(1)).minor).toBe(334n)
  expect(() => leaveAtAverage({ quantity: decimal(1), value: usd(5n) }, decimal(2))).toThrow('more leaves')
})

test('an emptied shelf is worth exactly zero, in whatever steps it is emptied', () => {
  fc.assert(
    fc.property(
      fc.bigInt(0n, 10n ** 9n),
      fc.array(fc.integer({ min: 1, max: 50 }), { minLength: 1, maxLength: 20 }),
      (value, steps) => {
        let shelf = { quantity: decimal(steps.reduce((a, b) => a + b, 0)), value: usd(value) }
        for (const step of steps) {
          const cost = leaveAtAverage(shelf, decimal(step))
          shelf = { quantity: shelf.quantity.minus(step), value: usd(shelf.value.minor - cost.minor) }
        }
        expect([shelf.quantity.toNumber(), shelf.value.minor]).toEqual([0, 0n])
      },
    ),
  )
})

test('what is on hand goes to those who wait longest', () => {
  expect(setAside(decimal(5), [3, 4, 1].map(decimal)).map(Number)).toEqual([3, 2, 0])
  expect(setAside(decimal(0), [decimal(1)]).map(Number)).toEqual([0])
})

test('kits are as many as their scarcest part allows', () => {
  expect(
    Number(
      kitsAvailable([
        { available: decimal(7), perKit: decimal(2) },
        { available: decimal(9), perKit: decimal(1) },
      ]),
    ),
  ).toBe(3)
  expect(Number(kitsAvailable([]))).toBe(0)
})

test('unit cost and value belong together', () => {
  expect(unitCost({ quantity: decimal(4), value: usd(1000n) }).toString()).toBe('2.5')
  expect(valueAt(decimal('2.505'), decimal(3), 'USD').minor).toBe(752n)
})
