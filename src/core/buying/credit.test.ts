import { describe, expect, test } from 'vitest'
import { day } from '../day'
import { money, toDecimalString } from '../money'
import { letOffOn, standingDiscounts } from './index'

const usd = (minor: bigint) => money(minor, 'USD')
const bill = { gross: usd(10000n), discount: usd(200n), discountOn: day('2026-03-11'), credited: usd(0n) }
const discount = (paymentId: number) => ({ kind: 'discount', paymentId })
const undone = (paymentId: number | null) => ({ kind: 'void', paymentId })

describe('what is let off for paying early', () => {
  test.each([
    ['through its last day', bill, [], '2026-03-11', '2.00'],
    ['not after it', bill, [], '2026-03-12', '0.00'],
    ['never without one', { ...bill, discountOn: null }, [], '2026-03-01', '0.00'],
    ['in the share that was not credited', { ...bill, credited: usd(2500n) }, [], '2026-03-01', '1.50'],
    ['beside what was paid in part', bill, [{ kind: 'payment', paymentId: 1 }], '2026-03-01', '2.00'],
    ['once', bill, [discount(1)], '2026-03-01', '0.00'],
    ['again where that payment is void', bill, [discount(1), undone(1)], '2026-03-01', '2.00'],
    ['not where another one is', bill, [discount(1), undone(2), undone(null)], '2026-03-01', '0.00'],
  ])('%s', (_, of, fills, on, expected) => {
    expect(toDecimalString(letOffOn(of, fills, day(on)))).toBe(expected)
  })

  test('stands but for what went with payments that are void', () => {
    expect(standingDiscounts([discount(1), discount(2), undone(1), { kind: 'credit', paymentId: null }])).toEqual([
      discount(2),
    ])
  })
})
