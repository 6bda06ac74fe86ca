import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { decimal, ZERO, type Decimal } from '../money'
import { kitsBegun, kitsOut, partsAhead, setAsideInTurn, type KitState, type Waiting } from './index'

const VIOLIN = 1
const ROSIN = 2
const parts = [
  { goodsId: VIOLIN, quantity: decimal(1) },
  { goodsId: ROSIN, quantity: decimal(3) },
]
const kit = (violins = 0, rosin = 0, asUsual = true): KitState => ({
  parts,
  ahead: new Map([
    [VIOLIN, decimal(violins)],
    [ROSIN, decimal(rosin)],
  ]),
  asUsual,
})
const told = (out: ReturnType<typeof kitsOut>) => [
  out.assembled.toString(),
  ...out.parts.map((p) => p.quantity.toString()),
]

describe('kits of a line', () => {
  test.each([
    ['none lies assembled', kit(), 2, 0, ['0', '2', '6']],
    ['all lie assembled', kit(), 2, 5, ['2', '0', '0']],
    ['some lie assembled', kit(), 3, 1, ['1', '2', '6']],
    ['one is begun: it is finished with parts', kit(1), 3, 5, ['2', '0', '3']],
    ['all are begun', kit(0, 7), 3, 5, ['0', '3', '2']],
    ['made in another way: none of the assembled ones', kit(0, 0, false), 2, 5, ['0', '2', '6']],
    ['half a kit is never assembled', kit(), 0.5, 5, ['0', '0.5', '1.5']],
  ])('%s', (_, state, kits, assembled, expected) => {
    expect(told(kitsOut(state, decimal(kits), decimal(assembled)))).toEqual(expected)
  })

  test('are begun by the part of which most went ahead', () => {
    expect([kit(), kit(1), kit(0, 3), kit(1, 7)].map((k) => kitsBegun(k).toString())).toEqual(['0', '1', '1', '3'])
  })

  test('with what goes now and what went ahead, all of it is with the customer', () => {
    const small = fc.integer({ min: 0, max: 6 })
    fc.assert(
      fc.property(small, fc.integer({ min: 0, max: 18 }), small, small, (violins, rosin, kits, lying) => {
        const state = kit(violins, rosin)
        // As many as are begun are asked for at least.
        const asked = kitsBegun(state).plus(kits)
        const out = kitsOut(state, asked, decimal(lying))
        expect(out.assembled.lte(lying)).toBe(true)
        for (const [i, p] of parts.entries()) {
          const whole = asked.minus(out.assembled).times(p.quantity)
          expect(out.parts[i]!.quantity.plus(state.ahead.get(p.goodsId)!).toString()).toBe(whole.toString())
        }
      }),
    )
  })

  test('that are out take their parts along; what is beyond them is ahead', () => {
    const out = (goodsId: number): Decimal => decimal(goodsId === VIOLIN ? 1 : 5)
    expect([...partsAhead(parts, out, decimal(1)).values()].map(String)).toEqual(['0', '2'])
  })
})

describe('what is set aside', () => {
  const row = (lineId: number, goodsId: number, waiting: number, more: Partial<Waiting> = {}): Waiting => ({
    lineId,
    goodsId,
    waiting: decimal(waiting),
    perKit: null,
    isKit: false,
    ...more,
  })
  const KIT = 9
  const kitRows = (lineId: number, kits: number): readonly Waiting[] => [
    row(lineId, KIT, kits, { isKit: true }),
    row(lineId, VIOLIN, kits, { perKit: decimal(1) }),
    row(lineId, ROSIN, kits * 3, { perKit: decimal(3) }),
  ]
  const share = (rows: readonly Waiting[], there: Readonly<Record<number, number>>) =>
    setAsideInTurn(rows, (id) => decimal(there[id] ?? 0)).map((s) => `${s.given.toString()} of ${s.wanted.toString()}`)

  test('assembled kits go to the oldest; parts are wanted for the rest of its kits', () => {
    expect(share([...kitRows(1, 2), ...kitRows(2, 1)], { [KIT]: 2, [VIOLIN]: 1, [ROSIN]: 2 })).toEqual([
      '2 of 2',
      '0 of 0',
      '0 of 0',
      '0 of 0',
      '1 of 1',
      '2 of 3',
    ])
  })

  test('a broken kit is not set aside as one', () => {
    expect(share(kitRows(1, 2), { [KIT]: 1.5, [VIOLIN]: 9, [ROSIN]: 9 })).toEqual(['1 of 1', '1 of 1', '3 of 3'])
  })

  test('never gives away more than is there, nor more than anybody wants', () => {
    const rows = fc.array(fc.tuple(fc.nat(3), fc.constantFrom(VIOLIN, ROSIN), fc.nat(9)), { maxLength: 12 })
    fc.assert(
      fc.property(rows, fc.nat(20), fc.nat(20), (asked, violins, rosin) => {
        const waiting = asked.map(([line, goods, n]) => row(line, goods, n))
        const shares = setAsideInTurn(waiting, (id) => decimal(id === VIOLIN ? violins : rosin))
        for (const [id, there] of [
          [VIOLIN, violins],
          [ROSIN, rosin],
        ] as const) {
          const given = shares.reduce((sum, s, i) => (waiting[i]!.goodsId === id ? sum.plus(s.given) : sum), ZERO)
          const wanted = waiting.reduce((sum, w) => (w.goodsId === id ? sum.plus(w.waiting) : sum), ZERO)
          expect(Number(given)).toBe(Math.min(there, Number(wanted)))
        }
        shares.forEach((s, i) => expect(s.given.lte(waiting[i]!.waiting)).toBe(true))
      }),
    )
  })
})
