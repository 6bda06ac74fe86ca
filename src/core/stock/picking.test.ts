import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { decimal, type Decimal } from '../money'
import { fewestPlaces, proposePicking, type Lying, type Wanted } from './index'

const want = (goodsId: number, quantity: number): Wanted => ({ goodsId, quantity: decimal(quantity) })
const lies = (goodsId: number, placeId: number, quantity: number): Lying => ({
  ...want(goodsId, quantity),
  placeId,
  batchId: null,
  turn: '',
})
const told = (wanted: readonly Wanted[], lying: readonly Lying[]) =>
  proposePicking(wanted, lying).map(
    ({ from, short }) =>
      from.map((f) => `${f.quantity.toString()} from ${f.placeId}`).join(' + ') +
      (short.eq(0) ? '' : ` short ${short.toString()}`),
  )

const [SHOP, BENCH, STORE] = [1, 2, 3] as const

describe('where goods are taken from', () => {
  test.each([
    ['one place that has all of it', [want(7, 3)], [lies(7, SHOP, 2), lies(7, BENCH, 3)], ['3 from 2']],
    [
      'the fullest first where one is not enough',
      [want(7, 5)],
      [lies(7, SHOP, 2), lies(7, STORE, 4)],
      ['4 from 3 + 1 from 1'],
    ],
    [
      'one place for the whole sale, though another has more of one thing',
      [want(7, 1), want(8, 1)],
      [lies(7, SHOP, 9), lies(7, BENCH, 1), lies(8, BENCH, 1)],
      ['1 from 2', '1 from 2'],
    ],
    ['what is missing is said', [want(7, 5)], [lies(7, SHOP, 2), lies(7, BENCH, 1)], ['2 from 1 + 1 from 2 short 2']],
    ['nothing is there', [want(7, 5)], [], [' short 5']],
    [
      'the same thing twice is not taken twice',
      [want(7, 2), want(7, 2)],
      [lies(7, SHOP, 3)],
      ['2 from 1', '1 from 1 short 1'],
    ],
  ] as const)('%s', (_, wanted, lying, expected) => {
    expect(told(wanted, lying)).toEqual(expected)
  })

  const inTurn = (goodsId: number, placeId: number, quantity: number, turn: string): Lying => ({
    ...lies(goodsId, placeId, quantity),
    turn,
  })
  test.each([
    [
      'what goes first, though another place has all of it',
      3,
      [inTurn(7, SHOP, 3, 'b'), inTurn(7, BENCH, 1, 'a')],
      ['1 from 2 + 2 from 1'],
    ],
    [
      'of one turn the fullest first, all of it before the next',
      4,
      [inTurn(7, STORE, 9, 'b'), inTurn(7, SHOP, 1, 'a'), inTurn(7, BENCH, 2, 'a')],
      ['2 from 2 + 1 from 1 + 1 from 3'],
    ],
    ['nothing of a turn that is not reached', 1, [inTurn(7, SHOP, 5, 'b'), inTurn(7, BENCH, 1, 'a')], ['1 from 2']],
    [
      'of the turn of which some are needed from a place that has them, wherever it stands',
      3,
      [inTurn(7, SHOP, 1, 'b'), inTurn(7, STORE, 2, 'b'), inTurn(7, BENCH, 1, 'a')],
      ['1 from 2 + 2 from 3'],
    ],
  ])('in turn: %s', (_, quantity, lying, expected) => {
    expect(told([want(7, quantity)], lying)).toEqual(expected)
    expect(told([want(7, quantity)], [...lying].reverse())).toEqual(expected)
  })

  test('up to twelve places are chosen from; of more, all are looked into', () => {
    const places = (count: number) => Array.from({ length: count }, (_, i) => lies(7, i + 1, 2))
    expect(fewestPlaces([want(7, 1)], places(12))).toEqual([1])
    expect(fewestPlaces([want(7, 1)], places(13))).toHaveLength(13)
  })

  const anyWanted = fc.array(
    fc.record({ goodsId: fc.integer({ min: 1, max: 3 }), n: fc.integer({ min: 1, max: 9 }) }),
    {
      minLength: 1,
      maxLength: 4,
    },
  )
  const anyLying = fc.uniqueArray(
    fc.record({
      goodsId: fc.integer({ min: 1, max: 3 }),
      placeId: fc.integer({ min: 1, max: 5 }),
      n: fc.integer({ min: 0, max: 9 }),
    }),
    { maxLength: 12, selector: (l) => `${l.goodsId}:${l.placeId}` },
  )
  const total = (rows: readonly { readonly quantity: Decimal }[]): number =>
    rows.reduce((sum, r) => sum + r.quantity.toNumber(), 0)

  test('never takes more than lies there, takes all that can be taken, and says what is short', () => {
    fc.assert(
      fc.property(anyWanted, anyLying, (wants, piles) => {
        const wanted = wants.map((w) => want(w.goodsId, w.n))
        const lying = piles.map((l) => lies(l.goodsId, l.placeId, l.n))
        const picked = proposePicking(wanted, lying)
        const taken = picked.flatMap((p, i) => p.from.map((f) => ({ ...f, goodsId: wanted[i]!.goodsId })))
        for (const pile of lying) {
          const here = taken.filter((t) => t.goodsId === pile.goodsId && t.placeId === pile.placeId)
          expect(total(here)).toBeLessThanOrEqual(pile.quantity.toNumber())
        }
        for (const goodsId of [1, 2, 3]) {
          const asked = total(wanted.filter((w) => w.goodsId === goodsId))
          const there = total(lying.filter((l) => l.goodsId === goodsId))
          expect(total(taken.filter((t) => t.goodsId === goodsId))).toBe(Math.min(asked, there))
        }
        picked.forEach((p, i) => expect(total(p.from) + p.short.toNumber()).toBe(wanted[i]!.quantity.toNumber()))
      }),
    )
  })

  test('no smaller number of places would do', () => {
    fc.assert(
      fc.property(anyWanted, anyLying, (wants, piles) => {
        const wanted = wants.map((w) => want(w.goodsId, w.n))
        const lying = piles.map((l) => lies(l.goodsId, l.placeId, l.n))
        const chosen = fewestPlaces(wanted, lying)
        const reach = (places: readonly number[]) =>
          [1, 2, 3].map((id) => {
            const there = total(lying.filter((l) => l.goodsId === id && places.includes(l.placeId)))
            return Math.min(there, total(wanted.filter((w) => w.goodsId === id)))
          })
        const all = [1, 2, 3, 4, 5]
        expect(reach(chosen)).toEqual(reach(all))
        // Every choice of places, as the bits of a number: those that are smaller reach less.
        for (let bits = 0; bits < 32; bits++) {
          const fewer = all.filter((p) => bits & (1 << (p - 1)))
          if (fewer.length < chosen.length) expect(reach(fewer)).not.toEqual(reach(all))
        }
      }),
    )
  })
})
