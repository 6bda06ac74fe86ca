import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { decimal, ZERO } from '../money'
import { unitsTaken, unitsTakenOf, type Passing, type TakenUnits } from './index'

const came = (n: number): Passing => ({ quantity: decimal(n), saleLineId: null })
const sold = (saleLineId: number, n: number): Passing => ({ quantity: decimal(-n), saleLineId })
const back = (saleLineId: number, n: number): Passing => ({ quantity: decimal(n), saleLineId })
const lost = (n: number): Passing => ({ quantity: decimal(-n), saleLineId: null })
const say = (taken: readonly TakenUnits[]) => taken.map((t) => `${t.saleLineId}: ${t.quantity.toString()}`)

describe('who took the units of one receipt', () => {
  test.each([
    ['the first of two', [came(5), came(3), sold(1, 4), sold(2, 2)], 0, ['1: 4', '2: 1']],
    ['the second of two', [came(5), came(3), sold(1, 4), sold(2, 2)], 1, ['2: 1']],
    ['what was lost in between is of no sale', [came(5), lost(2), sold(1, 3)], 0, ['1: 3']],
    ['what comes after a loss does not make up for it', [came(5), lost(2), came(3), sold(1, 4)], 0, ['1: 3']],
    ['what came back was not gone', [came(5), sold(1, 4), back(1, 3), sold(2, 2)], 0, ['1: 1', '2: 2']],
    ['nor of what another took meanwhile', [came(5), sold(1, 2), sold(2, 2), back(1, 1)], 0, ['1: 1', '2: 2']],
    // Five came first; sale 1 has one of them, sale 2 the other four and one of the second two.
    ['what came back did not come anew', [came(5), sold(1, 4), back(1, 3), came(2), sold(2, 5)], 3, ['2: 1']],
    ['all of it came back', [came(5), sold(1, 4), back(1, 4)], 0, []],
    ['nothing was sold', [came(5)], 0, []],
  ] as const)('%s', (_, moves, at, expected) => expect(say(unitsTaken(moves, at))).toEqual(expected))

  test('where pieces are told apart it is who has them', () => {
    expect(say(unitsTakenOf([came(5), sold(1, 4), back(1, 1), lost(1), sold(2, 1), back(2, 1)]))).toEqual(['1: 3'])
  })

  test('over all receipts it is what each sale has, never more than came with one', () => {
    const move = fc.oneof(
      fc.integer({ min: 1, max: 5 }).map(came),
      fc.tuple(fc.integer({ min: 1, max: 3 }), fc.integer({ min: 1, max: 4 })).map(([id, n]) => sold(id, n)),
    )
    fc.assert(
      fc.property(fc.array(move, { maxLength: 12 }), (raw) => {
        // Never more left than came.
        let there = 0
        const moves = raw.filter((m) => {
          if (there + m.quantity.toNumber() < 0) return false
          there += m.quantity.toNumber()
          return true
        })
        const sums = new Map<number, number>()
        moves.forEach((m, at) => {
          if (m.quantity.lt(0)) return
          const taken = unitsTaken(moves, at)
          expect(taken.reduce((sum, t) => sum.plus(t.quantity), ZERO).lte(m.quantity)).toBe(true)
          for (const t of taken) sums.set(t.saleLineId, (sums.get(t.saleLineId) ?? 0) + t.quantity.toNumber())
        })
        for (const id of [1, 2, 3]) {
          const out = moves.filter((m) => m.saleLineId === id).reduce((sum, m) => sum - m.quantity.toNumber(), 0)
          expect(sums.get(id) ?? 0).toBe(out)
        }
      }),
    )
  })
})
