import { describe, expect, test } from 'vitest'
import { decimal, evaluateAmount, money, roundToCoins, shareInTurn, splitMoney } from './index'

const usd = (minor: bigint) => money(minor, 'USD')
const split = (minor: bigint, weights: readonly number[]) =>
  splitMoney(usd(minor), weights.map(decimal)).map((m) => m.minor)

describe('splitting', () => {
  test('nothing over nobody is nothing; something over nobody is a mistake', () => {
    expect(split(0n, [])).toEqual([])
    expect(() => split(1n, [])).toThrow('nothing to split')
  })
  test('one weight below zero is a mistake, whatever the others are', () => {
    expect(() => split(100n, [2, -1])).toThrow('negative')
  })
  test('what is left over goes one by one to the earlier of those that lost as much', () => {
    expect(split(2n, [1, 1, 1, 1])).toEqual([1n, 1n, 0n, 0n])
    expect(split(-100n, [1, 1, 1])).toEqual([-34n, -33n, -33n])
    expect(split(7n, [0, 0])).toEqual([7n, 0n])
  })
  test('weights may have more places than each other, and than forty', () => {
    // 5, 2.5 and 2.5: what is left goes to the earlier half.
    expect(split(10n, [1.5, 0.75, 0.75])).toEqual([5n, 3n, 2n])
    expect(split(100n, [0.0001, 0.0003])).toEqual([25n, 75n])
    // The second lost more, by less than a fortieth place.
    const weights = ['1', `1.${'0'.repeat(49)}1`].map(decimal)
    expect(splitMoney(usd(1n), weights).map((m) => m.minor)).toEqual([0n, 1n])
  })
})

describe('sharing in turn', () => {
  const share = (amount: bigint, [whole, before, part]: readonly [bigint, bigint, bigint], wholeBefore?: bigint) =>
    shareInTurn(usd(amount), {
      whole: usd(whole),
      before: usd(before),
      part: usd(part),
      ...(wholeBefore === undefined ? {} : { wholeBefore: usd(wholeBefore) }),
    }).minor
  test('two halves, then nothing beyond the whole', () => {
    expect(share(1001n, [200n, 0n, 100n])).toBe(501n)
    expect(share(1001n, [200n, 100n, 100n])).toBe(500n)
    expect(share(1001n, [200n, 200n, 50n])).toBe(0n)
    expect(share(1001n, [200n, 0n, 0n])).toBe(0n)
  })
  test('of a whole that is nothing the first part takes all', () => {
    expect(share(1001n, [0n, 0n, 0n])).toBe(1001n)
    expect(share(1001n, [200n, 0n, 200n], 0n)).toBe(1001n)
  })
})

test.each([
  [1203n, 1, 1203n],
  [1203n, 5, 1205n],
  [1202n, 5, 1200n],
  [25n, 10, 30n],
  [-25n, 10, -30n],
  [-1203n, 5, -1205n],
  [0n, 5, 0n],
])('%s in coins of %s is %s', (minor, step, paid) => {
  expect(roundToCoins(usd(minor), step).minor).toBe(paid)
})

describe('amounts that are worked out', () => {
  test.each([
    ['7/2', '3.5'],
    ['6*0', '0'],
    ['.25', '0.25'],
    ['1.25+.5', '1.75'],
    ['2*50%', '1'],
    ['100-50%', '50'],
    ['100-50%*2', '99'],
    ['2*(3+4)', '14'],
    [`1${'+1'.repeat(29)}`, '30'],
  ])('%s is %s', (text, value) => {
    const read = evaluateAmount(text)
    expect(read.ok && read.value.toFixed()).toBe(value)
  })
  test.each(['5/0', '2+', '(2+3', '2)', '*3', '2..5', '2 & 3', `1${'+1'.repeat(30)}`])('%s is no amount', (text) => {
    expect(evaluateAmount(text)).toEqual({ ok: false, error: { code: 'not-an-amount', text } })
  })
})
