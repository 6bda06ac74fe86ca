import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { findBusiness } from '@/data/queries/business'
import { goodsCardView } from '@/model/goods/stockViews'
import { lotView } from '@/model/goods/lifeOf'
import { readCountLines } from '@/model/goods/countLines'
import { adjustStock } from '@/services/goods/adjustStock'
import { countStock } from '@/services/goods/countStock'
import { addGoods, changeGoods } from '@/services/goods/keepGoods'
import { moveStock } from '@/services/goods/moveStock'
import { handOver } from '@/services/sales/handOver'
import { readPicking } from '@/model/goods/picking'
import { saleView } from '@/model/sale/saleView'
import { addDuo } from './history/pieces'
import { openPieces, type Pieces } from './piecesDesk'

let s: Pieces['s']
let told: Pieces['told']
let store: number
let stock: Pieces['stock']
let sell: Pieces['sell']
let shop: number
beforeEach(async () => {
  ;({ s, told, shop, store, stock, sell } = await openPieces())
})
afterEach(() => s.close())

const costs = async (goodsId: number) => {
  const card = (await goodsCardView(s.db, goodsId, {}, (await findBusiness(s.db))!))!
  return card.rows.map((r) => [Number(r.quantity), r.value])
}

describe('first in, first out', () => {
  test('each leaves at what its own layer cost, the oldest first, whatever order they were entered in', async () => {
    await s.run(countStock, { on: '2026-02-10', lines: [{ goodsId: told.bow, counted: '3', unitCost: '50' }] })
    // 2 more at 40, that had come earlier: entered later, they go first.
    await s.run(adjustStock, {
      on: '2026-02-01',
      reason: 'Found in a drawer',
      lines: [{ goodsId: told.bow, change: '2', unitCost: '40' }],
    })
    expect(await stock(told.bow)).toEqual(['shop - 3: 150.00', 'shop - 2: 80.00'])
    const { saleId } = await sell(told.bow, '4')
    await s.run(handOver, { saleId })
    // 2 × 40 + 2 × 50 = 180; one at 50 is left
    expect(await costs(told.bow)).toEqual([
      [2, '80.00'],
      [3, '150.00'],
      [-2, '-80.00'],
      [-2, '-100.00'],
    ])
    expect(await stock(told.bow)).toEqual(['shop - 1: 50.00'])
    expect(await s.ties()).toEqual([])
  })

  test('a layer stays with its place, and takes its cost along when it is moved', async () => {
    await s.run(countStock, { on: '2026-02-01', lines: [{ goodsId: told.bow, counted: '2', unitCost: '40' }] })
    await s.run(countStock, {
      on: '2026-02-02',
      placeId: store,
      lines: [{ goodsId: told.bow, counted: '2', unitCost: '70' }],
    })
    await s.run(moveStock, { on: '2026-02-03', from: store, to: shop, lines: [{ goodsId: told.bow, quantity: '1' }] })
    expect(await stock(told.bow)).toEqual(['shop - 2: 80.00', 'shop - 1: 70.00', 'store - 1: 70.00'])
    expect(await stock(told.bow, '2026-02-02')).toEqual(['shop - 2: 80.00', 'store - 2: 140.00'])
    expect(await s.ties()).toEqual([])
  })
})

describe('lots', () => {
  const count = (
    lot: { code: string; expires?: string },
    counted: string,
    unitCost: string,
    on = '2026-02-01',
    placeId?: number,
  ) => s.run(countStock, { on, placeId, lines: [{ goodsId: told.strings, lot, counted, unitCost }] })

  test('the earliest to expire goes first, one that is past stays, and a named one goes at its own cost', async () => {
    await count({ code: 'B', expires: '2027-12-31' }, '5', '9')
    await count({ code: 'A', expires: '2026-12-31' }, '2', '11', '2026-02-05', store)
    await count({ code: 'OLD', expires: '2026-02-15' }, '4', '8')
    const { saleId, lineId } = await sell(told.strings, '6')
    const business = (await findBusiness(s.db))!
    const picking = (await readPicking(s.db, saleId, s.shop.today, { business, today: s.shop.today }))!
    expect(picking.lines[0]!.from.map((f) => [f.placeId, f.lot, f.quantity])).toEqual([
      [store, 'A', '2'],
      [shop, 'B', '4'],
    ])
    // Eleven lie there, of which four may go to nobody any more: six of seven are set aside.
    expect((await saleView(s.db, saleId, business, s.shop.today))!.lines[0]).toMatchObject({
      setAside: '6',
      short: '0',
    })
    expect(await s.refusal(handOver, { saleId, lines: [{ lineId, quantity: '1', lot: 'OLD' }] })).toBe('lot-past')
    expect(await s.refusal(handOver, { saleId, lines: [{ lineId, quantity: '1', lot: 'C' }] })).toBe('no-such-lot')
    expect(await s.refusal(handOver, { saleId, lines: [{ lineId, quantity: '3', lot: 'A' }] })).toBe('not-in-lot')
    await s.run(handOver, {
      saleId,
      lines: [
        {
          lineId,
          quantity: '3',
          from: [
            { lot: 'B', quantity: '2' },
            { placeId: store, lot: 'A', quantity: '1' },
          ],
        },
      ],
    })
    expect(await stock(told.strings)).toEqual(['shop B 3: 27.00', 'shop OLD 4: 32.00', 'store A 1: 11.00'])
    await s.run(handOver, { saleId })
    expect(await stock(told.strings)).toEqual(['shop B 1: 9.00', 'shop OLD 4: 32.00'])
    expect(await s.ties()).toEqual([])
    // Who has it, and what is left.
    expect(await lotView(s.db, 'USD', s.shop.today, 'b')).toMatchObject({
      lot: 'B',
      expires: '2027-12-31',
      onHand: '1',
      value: '9.00',
      customers: [{ customerId: s.customer, quantity: '4' }],
      life: [{ what: 'Count' }, { what: 'Handover' }, { what: 'Handover' }],
    })
  })

  test('what is past is set aside for nobody', async () => {
    await count({ code: 'OLD', expires: '2026-02-15' }, '4', '8')
    await count({ code: 'NEW' }, '1', '8')
    const { saleId } = await sell(told.strings, '3')
    const view = (await saleView(s.db, saleId, (await findBusiness(s.db))!, s.shop.today))!
    expect(view.lines[0]).toMatchObject({ setAside: '1', short: '2' })
    await s.run(handOver, { saleId })
    expect(await stock(told.strings)).toEqual(['shop OLD 4: 32.00'])
  })

  test('at average cost one average holds over all lots and places', async () => {
    const glue = (code: string, counted: string, unitCost: string, placeId?: number) =>
      s.run(countStock, { on: '2026-02-01', placeId, lines: [{ goodsId: told.glue, lot: code, counted, unitCost }] })
    await glue('A', '1', '10')
    await glue('B', '3', '6', store)
    // 28.00 over 4: 7 each
    expect(await stock(told.glue)).toEqual(['shop A 1: 7.00', 'store B 3: 21.00'])
    const { saleId, lineId } = await sell(told.glue, '1')
    await s.run(handOver, { saleId, lines: [{ lineId, quantity: '1', lot: 'A' }] })
    expect(await costs(told.glue)).toEqual([
      [1, '10.00'],
      [3, '18.00'],
      [-1, '-7.00'],
    ])
    expect(await s.ties()).toEqual([])
  })

  test('a count names its lot, each once, and a lot expires on one day', async () => {
    await count({ code: 'A', expires: '2026-12-31' }, '2', '11')
    const line = { goodsId: told.strings, counted: '1' }
    expect(await s.refusal(countStock, { lines: [line] })).toBe('invalid')
    expect(
      await s.refusal(countStock, {
        lines: [
          { ...line, lot: 'A' },
          { ...line, lot: 'A' },
        ],
      }),
    ).toBe('invalid')
    expect(
      await s.refusal(countStock, { lines: [{ ...line, counted: '9', lot: { code: 'A', expires: '2027-01-01' } }] }),
    ).toBe('lot-expires')
    expect(await s.refusal(countStock, { lines: [{ goodsId: s.rosin, counted: '9', lot: 'A' }] })).toBe('invalid')
    // A line counts only what it names: another lot leaves A alone.
    await count({ code: 'B' }, '4', '5')
    expect(await stock(told.strings)).toEqual(['shop A 2: 22.00', 'shop B 4: 20.00'])
  })
})

describe('how goods are tracked and costed', () => {
  test('by serial each costs its own; nothing else may say so', async () => {
    const add = (more: object) => s.refusal(addGoods, { code: 'X', name: 'X', kind: 'stock', price: '1', ...more })
    expect(await add({ track: 'serial', costing: 'average' })).toBe('invalid')
    expect(await add({ costing: 'unit' })).toBe('invalid')
    expect(await add({ kind: 'work', track: 'lot' })).toBe('invalid')
    expect(await add({ track: 'serial' })).toBe('not refused')
  })

  test('stays once the first piece moved; before, it may change', async () => {
    await s.run(changeGoods, { goodsId: told.glue, track: 'serial' })
    await s.run(changeGoods, { goodsId: told.glue, track: 'lot', costing: 'average' })
    await s.run(countStock, {
      on: '2026-02-01',
      lines: [{ goodsId: told.glue, lot: 'A', counted: '1', unitCost: '1' }],
    })
    expect(await s.refusal(changeGoods, { goodsId: told.glue, track: 'none' })).toBe('tracking-is-fixed')
    expect(await s.refusal(changeGoods, { goodsId: told.glue, costing: 'fifo' })).toBe('tracking-is-fixed')
    await s.run(changeGoods, { goodsId: told.glue, name: 'Hide glue, pearls', track: 'lot' })
  })
})

describe('one that is found, with no cost said', () => {
  const found = async (goodsId: number, on: string) =>
    (await s.answer(adjustStock, { on, reason: 'Found', lines: [{ goodsId, change: '1' }] })).value
  const proposed = async (goodsId: number) => {
    const where = { db: s.db, business: (await findBusiness(s.db))!, today: s.shop.today, currency: 'USD' }
    return (await readCountLines(where, {})).lines.find((l) => l.goodsId === goodsId)!.unitCost
  }

  test('costs what those cost that lay there on that day, else what the last one did; a kit that never lay there, its parts', async () => {
    const duo = await addDuo(s)
    expect(await found(duo, '2026-02-01')).toBe('612.00')
    await s.run(countStock, { on: '2026-02-02', lines: [{ goodsId: s.rosin, counted: '0' }] })
    await s.run(countStock, { on: '2026-02-10', lines: [{ goodsId: s.rosin, counted: '2', unitCost: '9' }] })
    await s.run(countStock, { on: '2026-02-12', lines: [{ goodsId: s.rosin, counted: '0' }] })
    expect(await proposed(s.rosin)).toBe('9')
    expect(await found(s.rosin, '2026-02-05')).toBe('6.00')
    expect(await proposed(s.rosin)).toBe('6')
    expect(await s.ties()).toEqual([])
  })
})
