import fc from 'fast-check'
import { expect, test } from 'vitest'
import { day } from '../day'
import { balanceOn, firstDayFor, firstUndisturbed, lowestFrom, type Change } from './index'

const at = (n: number) => day(`2026-03-${String(n).padStart(2, '0')}`)
const came: Change[] = [
  { on: at(9), by: -70n },
  { on: at(1), by: 100n },
  { on: at(20), by: 50n },
]

test.each([
  [1, 100n, 30n],
  [5, 100n, 30n],
  [9, 30n, 30n],
  [20, 80n, 80n],
])('on the %sth, %s lie there and %s may leave', (d, there, free) => {
  expect([balanceOn(came, at(d)), lowestFrom(came, at(d))]).toEqual([there, free])
})
test('before the first change nothing lies there', () => {
  expect(lowestFrom([{ on: at(3), by: 5n }], at(2))).toBe(0n)
})
test('an amount leaves from the day on which all later days bear it', () => {
  expect(firstDayFor([came], 30n, at(1))).toBe(at(1))
  expect(firstDayFor([came], 31n, at(5))).toBe(at(20))
  expect(firstDayFor([came], 81n, at(1))).toBeNull()
})
test('what was taken meanwhile stands in the way until the day it was taken', () => {
  expect(firstUndisturbed([came], 100n, at(5))).toBe(at(9))
  expect(firstUndisturbed([came], 30n, at(5))).toBe(at(5))
})
test('what changed its kind is in the way until the day it did', () => {
  const deposit = [
    { on: at(1), by: 100n },
    { on: at(5), by: -100n },
  ]
  const layaway = [{ on: at(5), by: 100n }]
  expect(firstDayFor([deposit, layaway], 100n, at(3))).toBe(at(5))
  expect(firstUndisturbed([deposit, layaway], 100n, at(3))).toBe(at(5))
})
test('what may leave on a day leaves no day below zero, and a cent more would', () => {
  const change = fc.record({ on: fc.integer({ min: 1, max: 28 }).map(at), by: fc.bigInt(-50n, 50n) })
  fc.assert(
    fc.property(fc.array(change, { maxLength: 12 }), fc.integer({ min: 1, max: 28 }).map(at), (all, on) => {
      const free = lowestFrom(all, on)
      const after = (amount: bigint) => [...all, { on, by: -amount }]
      const days = [on, ...all.map((c) => c.on).filter((d) => d > on)]
      const lowest = (changes: readonly Change[]) =>
        days.map((d) => balanceOn(changes, d)).reduce((a, b) => (a < b ? a : b))
      expect(lowest(after(free))).toBe(0n)
      expect(lowest(after(free + 1n))).toBe(-1n)
    }),
  )
})
