import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { addMoney, decimal, money, subtractMoney, sumMoney, toDecimalString, type Money } from '../money'
import {
  discountLeft,
  leftOfLine,
  openOfLine,
  spreadCredit,
  takeBilled,
  takeCredited,
  takeReturned,
  type CameTally,
} from './index'

const usd = (minor: bigint) => money(minor, 'USD')
const came = (quantity: number, minor: bigint): CameTally => ({
  quantity: decimal(quantity),
  value: usd(minor),
  billed: decimal(0),
  billedValue: usd(0n),
  returned: decimal(0),
  returnedValue: usd(0n),
  credited: decimal(0),
  creditedValue: usd(0n),
})

type Move = 'bill' | 'return' | 'credit'
const TAKES = { bill: takeBilled, return: takeReturned, credit: takeCredited }
/** The line after a move of so many; the same where that many are not left. */
const after = (l: CameTally, move: Move, n: number): CameTally => {
  const quantity = decimal(n)
  const value = TAKES[move](l, quantity)
  if (!value) return l
  switch (move) {
    case 'bill':
      return { ...l, billed: l.billed.plus(quantity), billedValue: addMoney(l.billedValue, value) }
    case 'return':
      return { ...l, returned: l.returned.plus(quantity), returnedValue: addMoney(l.returnedValue, value) }
    case 'credit':
      return { ...l, credited: l.credited.plus(quantity), creditedValue: addMoney(l.creditedValue, value) }
  }
}
const all = (l: CameTally, ...moves: readonly (readonly [Move, number])[]) =>
  moves.reduce((now, [move, n]) => after(now, move, n), l)

describe('a line that came', () => {
  test.each([
    ['nothing done', [], '5', '0', '10.00'],
    ['two went back before the bill', [['return', 2]], '3', '0', '6.00'],
    [
      'billed, then two went back',
      [
        ['bill', 5],
        ['return', 2],
      ],
      '0',
      '2',
      '-4.00',
    ],
    [
      'back first, and billed all the same',
      [
        ['return', 2],
        ['bill', 5],
      ],
      '0',
      '2',
      '-4.00',
    ],
    [
      'one of them credited',
      [
        ['bill', 5],
        ['return', 2],
        ['credit', 1],
      ],
      '0',
      '1',
      '-2.00',
    ],
    [
      'no more is credited than went back',
      [
        ['bill', 5],
        ['return', 2],
        ['credit', 3],
      ],
      '0',
      '2',
      '-4.00',
    ],
    [
      'nothing is credited that is not billed',
      [
        ['return', 2],
        ['credit', 2],
      ],
      '3',
      '0',
      '6.00',
    ],
  ] as const)('%s', (_, moves, toBill, toCredit, open) => {
    const l = all(came(5, 1000n), ...(moves as readonly (readonly [Move, number])[]))
    const left = leftOfLine(l)
    expect([left.toBill.toString(), left.toCredit.toString(), toDecimalString(openOfLine(l).value)]).toEqual([
      toBill,
      toCredit,
      open,
    ])
  })

  test('is worth nothing where nothing is open, and never counts more than came, whatever was done in which order', () => {
    const move = fc.tuple(fc.constantFrom<Move>('bill', 'return', 'credit'), fc.integer({ min: 1, max: 4 }))
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9 }),
        fc.bigInt({ min: 0n, max: 200n }),
        fc.array(move, { maxLength: 14 }),
        (quantity, minor, moves) => {
          // Asked once of all that was done: an assertion for each step of 2,000 takes longer than all the steps.
          let l = came(quantity, minor)
          return moves.every(([what, n]) => {
            l = after(l, what, n)
            const open = openOfLine(l)
            const within = (part: Money, whole: Money) => part.minor >= 0n && part.minor <= whole.minor
            return (
              (!open.quantity.eq(0) || open.value.minor === 0n) &&
              within(l.billedValue, l.value) &&
              within(l.returnedValue, l.value) &&
              within(l.creditedValue, l.returnedValue) &&
              l.billed.lte(quantity) &&
              l.returned.lte(quantity) &&
              l.credited.lte(l.returned)
            )
          })
        },
      ),
      { numRuns: 2000 },
    )
  })
})

describe('a credit over the lines of a bill', () => {
  const line = (net: bigint, tax: bigint) => ({ net: usd(net), tax: usd(tax) })
  test('takes of each its share, with the tax in it', () => {
    // 30.00 of 110.00: 3/11 of 10.00 with 0.00 tax and of 80.00 with 20.00.
    expect(spreadCredit(usd(3000n), [line(1000n, 0n), line(8000n, 2000n)])).toEqual([line(273n, 0n), line(2182n, 545n)])
  })
  test('adds up, takes no more than is left, and all of the tax with all that is left', () => {
    const part = fc.tuple(fc.bigInt({ min: 0n, max: 5000n }), fc.bigInt({ min: 0n, max: 900n }))
    fc.assert(
      fc.property(
        fc.array(part, { minLength: 1, maxLength: 6 }),
        fc.bigInt({ min: 0n, max: 100n }),
        (parts, percent) => {
          const lines = parts.map(([net, tax]) => line(net, tax))
          const whole = lines.reduce((sum, l) => sum + l.net.minor + l.tax.minor, 0n)
          const amount = (whole * percent) / 100n
          const shares = spreadCredit(usd(amount), lines)
          expect(
            sumMoney(
              shares.map((x) => addMoney(x.net, x.tax)),
              'USD',
            ).minor,
          ).toBe(amount)
          shares.forEach((x, i) => {
            expect(x.net.minor >= 0n && x.net.minor <= lines[i]!.net.minor).toBe(true)
            expect(x.tax.minor >= 0n && x.tax.minor <= lines[i]!.tax.minor).toBe(true)
          })
          if (percent === 100n) expect(shares).toEqual(lines)
        },
      ),
    )
  })
  test('lowers what paying early saves', () => {
    expect(toDecimalString(discountLeft(usd(200n), usd(10_000n), usd(2500n)))).toBe('1.50')
    expect(toDecimalString(discountLeft(usd(0n), usd(0n), usd(0n)))).toBe('0.00')
    expect(subtractMoney(usd(200n), discountLeft(usd(200n), usd(300n), usd(0n))).minor).toBe(0n)
  })
})
