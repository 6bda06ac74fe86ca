import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { addDays, day } from '../day'
import { decimal, money, toDecimalString } from '../money'
import { firstDayToLeave, leaveOn, shelfOn, unitsOf, type ShelfChanges } from './index'

const usd = (minor: bigint) => money(minor, 'USD')
const changes = (...rows: [on: string, quantity: number, value: bigint][]): ShelfChanges => ({
  quantity: rows.map(([on, quantity]) => ({ on: day(on), by: unitsOf(decimal(quantity)) })),
  value: rows.map(([on, , value]) => ({ on: day(on), by: value })),
})
const nowOf = ({ quantity, value }: ShelfChanges) => ({
  quantity: decimal(quantity.reduce((s, c) => s + c.by, 0n)).div(10_000),
  value: usd(value.reduce((s, c) => s + c.by, 0n)),
})

// Five at 6.00 on the 1st; four left on the 9th; ten at 9.00 came on the 20th.
const STORY = changes(['2026-03-01', 5, 3000n], ['2026-03-09', -4, -2400n], ['2026-03-20', 10, 9000n])

describe('a shelf on a day', () => {
  const on = (text: string) => shelfOn(nowOf(STORY), STORY, day(text))
  test.each([
    ['2026-02-28', '0', '0'], // before anything came
    ['2026-03-01', '5', '1'], // five lay there, one may go: four leave on the 9th
    ['2026-03-09', '1', '1'],
    ['2026-03-20', '11', '11'],
  ])('on %s holds %s, of which %s may leave', (text, lay, free) => {
    expect(on(text).shelf.quantity.toString()).toBe(lay)
    expect(on(text).free.quantity.toString()).toBe(free)
  })

  test('goods leave at the average of their day', () => {
    // On the 5th each was worth 6.00; on the 20th 11 are worth 96.00.
    expect(toDecimalString(leaveOn(on('2026-03-05'), decimal(1))!)).toBe('6.00')
    // 96.00 ÷ 11 × 2 = 17.4545…
    expect(toDecimalString(leaveOn(on('2026-03-20'), decimal(2))!)).toBe('17.45')
  })

  test('the last of them take all that is left, or cannot have left by then', () => {
    expect(toDecimalString(leaveOn(on('2026-03-20'), decimal(11))!)).toBe('96.00')
    expect(leaveOn(on('2026-03-05'), decimal(11))).toBeNull()
  })

  test('says from which day on so many may go', () => {
    expect(firstDayToLeave(STORY.quantity, decimal(1), day('2026-03-01'))).toBe('2026-03-01')
    expect(firstDayToLeave(STORY.quantity, decimal(2), day('2026-03-01'))).toBe('2026-03-20')
    expect(firstDayToLeave(STORY.quantity, decimal(12), day('2026-03-01'))).toBeNull()
  })

  test('never lets a later day fall below nothing', () => {
    const moves = fc.array(fc.tuple(fc.nat(20), fc.integer({ min: 1, max: 9 })), { minLength: 1, maxLength: 8 })
    fc.assert(
      fc.property(moves, fc.nat(25), (rows, n) => {
        const came = rows.map(([d, q]) => [addDays(day('2026-03-01'), d), q, BigInt(q) * 100n] as const)
        const story = changes(...came.map(([d, q, v]) => [String(d), q, v] as [string, number, bigint]))
        const at = addDays(day('2026-03-01'), n)
        const { free, shelf } = shelfOn(nowOf(story), story, at)
        expect(free.quantity.lte(shelf.quantity)).toBe(true)
        expect(free.quantity.gte(0)).toBe(true)
      }),
    )
  })
})
