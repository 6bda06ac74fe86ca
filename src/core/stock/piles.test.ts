import { describe, expect, test } from 'vitest'
import { day } from '../day'
import type { Costing } from '../kinds'
import { decimal, money } from '../money'
import {
  isPast,
  mayGo,
  pilesNow,
  pilesOn,
  poolOf,
  sameName,
  shareWorth,
  splitSerials,
  turnOf,
  warrantyEnds,
  type Batch,
  type Pile,
  type PileChange,
} from './index'

const [SHOP, STORE] = [1, 2] as const
const [VIOLIN, ROSIN] = [7, 8] as const
const lot = (id: number, expires: string | null, cameOn = '2026-01-05'): Batch => ({
  id,
  goodsId: ROSIN,
  lot: `L${id}`,
  expires: expires === null ? null : day(expires),
  serial: null,
  cameOn: day(cameOn),
})
const batchesOf = (...batches: readonly Batch[]) => new Map(batches.map((b) => [b.id, b]))

describe('names of pieces', () => {
  test('are the same whatever their case, and no name is nobody’s', () => {
    expect(sameName('fs-101', 'FS-101')).toBe(true)
    expect(sameName('FS-102', 'FS-101')).toBe(false)
    expect(sameName(null, 'FS-101')).toBe(false)
    expect(sameName(undefined, 'FS-101')).toBe(false)
  })
  test('are told apart by whatever stands between them', () => {
    expect(splitSerials(' FS-101, FS-102;\nFS-103 \t FS-104,')).toEqual(['FS-101', 'FS-102', 'FS-103', 'FS-104'])
    expect(splitSerials(' ,; ')).toEqual([])
  })
})

describe('what costs alike', () => {
  const at = { goodsId: VIOLIN, placeId: STORE, batchId: 9 }
  test.each([
    ['average', '7::'],
    ['unit', '7::9'],
    ['fifo', '7:2:9'],
  ] as [Costing, string][])('at %s cost is %s', (costing, name) => expect(poolOf(costing, at)).toBe(name))
  test('and where pieces are not told apart, all of a thing', () => {
    expect(poolOf('unit', { ...at, batchId: null })).toBe('7::')
  })
})

describe('the turn of pieces', () => {
  test('is by the day they expire, then by the day they came; lots that do not expire are last', () => {
    const [soon, later, never, older] = [
      lot(1, '2027-03-01', '2026-02-01'),
      lot(2, '2027-03-02', '2026-01-01'),
      lot(3, null, '2025-01-01'),
      lot(10, '2027-03-01', '2026-01-31'),
    ]
    const inTurn = [never, later, soon, older].sort((a, b) => (turnOf(a) < turnOf(b) ? -1 : 1))
    expect(inTurn.map((b) => b.id)).toEqual([10, 1, 2, 3])
  })
  test('of lots of one day is as they were made, and serials of one day are all alike', () => {
    expect(turnOf(lot(9, null)) < turnOf(lot(10, null))).toBe(true)
    const serial = (id: number): Batch => ({ ...lot(id, null), serial: `FS-${id}` })
    expect(turnOf(serial(9))).toBe(turnOf(serial(10)))
  })
  test('is none where they are not told apart', () => expect(turnOf(null)).toBe(''))
})

test('a lot may go on its last day, and not on the next', () => {
  const batch = lot(1, '2026-03-10')
  expect(isPast(batch, day('2026-03-10'))).toBe(false)
  expect(isPast(batch, day('2026-03-11'))).toBe(true)
  expect(isPast(lot(1, null), day('2199-01-01'))).toBe(false)
  expect(isPast(null, day('2199-01-01'))).toBe(false)
})

test('a warranty ends so many months after the handover; of no months there is none', () => {
  expect(warrantyEnds(day('2026-03-02'), 24)).toBe('2028-03-02')
  expect(warrantyEnds(day('2026-03-02'), 0)).toBeNull()
  expect(warrantyEnds(day('2026-03-02'), null)).toBeNull()
})

const told = (piles: readonly Pile[]) =>
  piles.map((p) => [p.goodsId, p.placeId, p.batch?.lot ?? null, Number(p.now), Number(p.on), Number(p.free)])

describe('piles', () => {
  const change = (on: string, pieces: number, at: Partial<PileChange> = {}): PileChange => ({
    goodsId: VIOLIN,
    placeId: SHOP,
    batchId: null,
    on: day(on),
    quantity: BigInt(pieces) * 10_000n,
    value: 0n,
    ...at,
  })
  test('stand as their changes made them: now, on a day, and what of that may leave', () => {
    // Five came, two left on the 10th, four more came on the 20th: on the 5th five lie there, of which two leave later.
    const changes = [change('2026-03-01', 5), change('2026-03-10', -2), change('2026-03-20', 4)]
    expect(told(pilesOn(changes, batchesOf(), day('2026-03-05')))).toEqual([[VIOLIN, SHOP, null, 7, 5, 3]])
    expect(told(pilesOn(changes, batchesOf(), day('2026-03-10')))).toEqual([[VIOLIN, SHOP, null, 7, 3, 3]])
    expect(told(pilesOn(changes, batchesOf(), day('2026-02-28')))).toEqual([[VIOLIN, SHOP, null, 7, 0, 0]])
    expect(told(pilesOn([...changes].reverse(), batchesOf(), day('2026-03-05')))).toEqual([
      [VIOLIN, SHOP, null, 7, 5, 3],
    ])
  })
  test('are one for each thing, place and batch', () => {
    const batches = batchesOf(lot(1, null), lot(2, null))
    const changes = [
      change('2026-03-01', 1),
      change('2026-03-01', 2, { placeId: STORE }),
      change('2026-03-01', 3, { goodsId: ROSIN, batchId: 1 }),
      change('2026-03-01', 4, { goodsId: ROSIN, batchId: 2 }),
      change('2026-03-02', 5, { goodsId: ROSIN, batchId: 1 }),
    ]
    expect(told(pilesOn(changes, batches, day('2026-03-02')))).toEqual([
      [VIOLIN, SHOP, null, 1, 1, 1],
      [VIOLIN, STORE, null, 2, 2, 2],
      [ROSIN, SHOP, 'L1', 8, 8, 8],
      [ROSIN, SHOP, 'L2', 4, 4, 4],
    ])
  })
  test('of a batch that is not known there are none', () => {
    expect(() => pilesOn([change('2026-03-01', 1, { batchId: 3 })], batchesOf(), day('2026-03-01'))).toThrow()
    const lying = { goodsId: ROSIN, placeId: SHOP, batchId: 3, quantity: decimal(1) }
    expect(() => pilesNow([lying], batchesOf())).toThrow()
  })
  test('as they lie now may leave whole', () => {
    const lying = [
      { goodsId: ROSIN, placeId: STORE, batchId: 1, quantity: decimal('2.5') },
      { goodsId: VIOLIN, placeId: SHOP, batchId: null, quantity: decimal(1) },
    ]
    expect(told(pilesNow(lying, batchesOf(lot(1, null))))).toEqual([
      [ROSIN, STORE, 'L1', 2.5, 2.5, 2.5],
      [VIOLIN, SHOP, null, 1, 1, 1],
    ])
  })

  test('go with their turn and what is free of them; what is past goes to no customer', () => {
    const batches = batchesOf(lot(1, '2026-03-09'), lot(2, '2026-03-31'))
    const piles = pilesOn(
      [
        change('2026-03-01', 3, { goodsId: ROSIN, batchId: 1 }),
        change('2026-03-01', 5, { goodsId: ROSIN, batchId: 2, placeId: STORE }),
        change('2026-03-20', -4, { goodsId: ROSIN, batchId: 2, placeId: STORE }),
      ],
      batches,
      day('2026-03-10'),
    )
    const going = (toCustomer: boolean) =>
      mayGo(piles, day('2026-03-10'), toCustomer).map((l) => [
        l.goodsId,
        l.placeId,
        l.batchId,
        l.turn,
        Number(l.quantity),
        l.pile.batch?.lot,
      ])
    const fresh = [ROSIN, STORE, 2, '2026-03-31 2026-01-05 0000000002', 1, 'L2']
    expect(going(true)).toEqual([fresh])
    expect(going(false)).toEqual([[ROSIN, SHOP, 1, '2026-03-09 2026-01-05 0000000001', 3, 'L1'], fresh])
  })
})

describe('what piles are worth', () => {
  const pile = (placeId: number, pieces: number, cents: number, costing: Costing = 'average') => ({
    goodsId: VIOLIN,
    placeId,
    batchId: null,
    costing,
    quantity: decimal(pieces),
    value: money(BigInt(cents), 'USD'),
  })
  const worth = (...piles: readonly ReturnType<typeof pile>[]) =>
    shareWorth(piles, 'USD').map((p) => [p.placeId, Number(p.quantity), Number(p.value.minor)])
  test('is shared by how many lie in each, where they cost alike', () => {
    expect(worth(pile(SHOP, 3, 3000), pile(STORE, 1, 5000))).toEqual([
      [SHOP, 3, 6000],
      [STORE, 1, 2000],
    ])
  })
  test('stays where it is, where each place has layers of its own', () => {
    expect(worth(pile(SHOP, 3, 3000, 'fifo'), pile(STORE, 1, 5000, 'fifo'))).toEqual([
      [SHOP, 3, 3000],
      [STORE, 1, 5000],
    ])
  })
  test('is none of a place that owes pieces, and stays with the first where nothing lies', () => {
    expect(worth(pile(SHOP, -2, 100), pile(STORE, 4, 900))).toEqual([
      [SHOP, -2, 0],
      [STORE, 4, 1000],
    ])
    expect(worth(pile(SHOP, 0, 0), pile(STORE, 0, 7))).toEqual([
      [SHOP, 0, 7],
      [STORE, 0, 0],
    ])
  })
})
