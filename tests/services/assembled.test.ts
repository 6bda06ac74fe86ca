import { setTimeout as sleep } from 'node:timers/promises'
import { eq } from 'drizzle-orm'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { decimal } from '@/core/money'
import { findBusiness } from '@/data/queries/business'
import { replaceParts } from '@/data/queries/goods'
import { goods } from '@/data/schema'
import { goodsView } from '@/model/goods/goods'
import { goodsStockView } from '@/model/goods/stockViews'
import { readPicking } from '@/model/goods/picking'
import { saleView } from '@/model/sale/saleView'
import { assembleKits, takeKitsApart } from '@/services/goods/assemble'
import { countStock } from '@/services/goods/countStock'
import { changeGoods } from '@/services/goods/keepGoods'
import { moveStock } from '@/services/goods/moveStock'
import { addPlace } from '@/services/goods/places'
import { handOver } from '@/services/sales/handOver'
import { replacePart } from '@/services/sales/replacePart'
import { returnGoods } from '@/services/sales/returnGoods'
import { startSale } from '@/services/sales/startSale'
import { addDuo, addOutfit, addToldGoods } from './history/pieces'
import { openTestShop, type TestShop } from './shop'

// Five violins at 600.00 and twenty rosin at 6.00 lie there: a duo of a violin and two rosin is worth 612.00.
let s: TestShop
let duo: number
beforeEach(async () => {
  s = await openTestShop()
  duo = await addDuo(s)
})
afterEach(() => s.close())

const business = async () => (await findBusiness(s.db))!
const there = async (goodsId: number) => {
  const { onHand, available, setAside } = (await goodsView(s.db, goodsId, await business(), s.shop.today))!
  return { onHand, available, setAside }
}
const worth = async (goodsId: number) =>
  (await goodsStockView(s.db, goodsId, s.shop.today, { business: await business(), today: s.shop.today }))!.value
const sell = async (quantity: string) => {
  const saleId = await s.run(startSale, {
    customerId: s.customer,
    agreed: true,
    lines: [{ goodsId: duo, quantity }],
  })
  return { saleId, lineId: (await lineOf(saleId)).id }
}
const lineOf = async (saleId: number) => (await saleView(s.db, saleId, await business(), s.shop.today))!.lines[0]!
const picking = async (saleId: number) =>
  (await readPicking(s.db, saleId, s.shop.today, { business: await business(), today: s.shop.today }))!.lines.map(
    (l) => [l.goodsId, l.quantity, l.short],
  )

describe('kits put together ahead', () => {
  test('are worth what their parts cost, and post nothing', async () => {
    expect(await s.answer(assembleKits, { goodsId: duo, quantity: '2' })).toMatchObject({
      number: 'Y-2026-0001',
      quantity: '2',
      // 2 × 600.00 and 4 × 6.00
      value: '1224.00',
    })
    expect(await there(s.violin)).toEqual({ onHand: '3', available: '3', setAside: '0' })
    // Two lie assembled, and three more can be made of three violins.
    expect(await there(duo)).toEqual({ onHand: '5', available: '5', setAside: '0' })
    expect(await worth(duo)).toBe('1224.00')
    expect(await s.answer(takeKitsApart, { goodsId: duo, quantity: '1' })).toMatchObject({ value: '-612.00' })
    expect(await there(s.violin)).toMatchObject({ onHand: '4' })
    expect(await worth(s.violin)).toBe('2400.00')
    expect(await s.ties()).toEqual([])
  })

  test('come apart at what their parts cost, also where none of a part lies on a shelf any more', async () => {
    await s.run(assembleKits, { goodsId: duo, quantity: '5' })
    // All five violins are in them; of the rosin ten of twenty are.
    expect([await worth(s.violin), await worth(s.rosin)]).toEqual(['0.00', '60.00'])
    await s.run(takeKitsApart, { goodsId: duo, quantity: '2' })
    expect([await worth(s.violin), await worth(s.rosin)]).toEqual(['1200.00', '84.00'])
    await s.run(takeKitsApart, { goodsId: duo, quantity: '3' })
    expect([await worth(s.violin), await worth(s.rosin), await worth(duo)]).toEqual(['3000.00', '120.00', '0.00'])
    expect(await s.ties()).toEqual([])
  })

  test('go first, the rest as parts; they come back assembled', async () => {
    await s.run(assembleKits, { goodsId: duo, quantity: '2' })
    const { saleId, lineId } = await sell('3')
    expect(await there(duo)).toEqual({ onHand: '5', available: '2', setAside: '2' })
    expect(await picking(saleId)).toEqual([
      [duo, '2', '0'],
      [s.violin, '1', '0'],
      [s.rosin, '2', '0'],
    ])
    const handover = await s.answer(handOver, { saleId })
    // 3 × 612.00
    expect(handover.lines).toMatchObject([{ quantity: '3', cost: '1836.00' }])
    expect(await there(duo)).toEqual({ onHand: '2', available: '2', setAside: '0' })
    await s.run(returnGoods, { handoverId: handover.id, reason: 'x', lines: [{ lineId, quantity: '2' }] })
    expect(await worth(duo)).toBe('1224.00')
    expect(await lineOf(saleId)).toMatchObject({ toHandOver: '2' })
    await s.run(returnGoods, { handoverId: handover.id, reason: 'x' })
    expect(await there(s.violin)).toMatchObject({ onHand: '3' })
    expect(await s.ties()).toEqual([])
  })

  test('finish nothing that was begun with parts', async () => {
    await s.run(assembleKits, { goodsId: duo, quantity: '1' })
    const { saleId, lineId } = await sell('1')
    await s.run(handOver, { saleId, lines: [{ lineId, parts: [{ goodsId: s.violin, quantity: '1' }] }] })
    // The assembled one stays: the customer has its violin already.
    expect(await picking(saleId)).toEqual([[s.rosin, '2', '0']])
    expect(await s.refusal(handOver, { saleId, lines: [{ lineId, parts: [{ goodsId: duo, quantity: '1' }] }] })).toBe(
      'more-than-agreed',
    )
    await s.run(handOver, { saleId })
    expect(await there(duo)).toMatchObject({ onHand: '4' })
    expect(await s.ties()).toEqual([])
  })

  test('lie in a place, are moved and counted like other goods', async () => {
    const store = await s.run(addPlace, { code: 'STORE', name: 'Store room' })
    await s.run(assembleKits, { goodsId: duo, quantity: '2', placeId: store })
    await s.run(moveStock, { from: store, to: 1, lines: [{ goodsId: duo, quantity: '1' }] })
    // One of the two in the store room is gone: 612.00 go to stock adjustments.
    const count = await s.answer(countStock, { placeId: store, lines: [{ goodsId: duo, counted: '0' }] })
    expect(count.value).toBe('-612.00')
    expect(await there(duo)).toMatchObject({ onHand: '4' })
    expect(await s.ties()).toEqual([])
  })

  test.each([
    ['more than there are parts', { quantity: '6' }, 'not-enough-stock'],
    ['half a kit', { quantity: '0.5' }, 'invalid'],
    ['something that is no kit', { goodsId: 1, quantity: '1' }, 'invalid'],
    ['before its parts were there', { quantity: '1', on: '2025-06-01' }, 'not-before'],
  ])('%s: refused', async (_, wish, why) => {
    expect(await s.refusal(assembleKits, { goodsId: duo, ...wish })).toBe(why)
  })

  test('not of what is told apart by serial or lot; not taken apart beyond what lies; not changed while they lie', async () => {
    const outfit = await addOutfit(s, await addToldGoods(s))
    expect(await s.refusal(assembleKits, { goodsId: outfit, quantity: '1' })).toBe('invalid')
    await s.run(assembleKits, { goodsId: duo, quantity: '1' })
    expect(await s.refusal(takeKitsApart, { goodsId: duo, quantity: '2' })).toBe('not-enough-stock')
    const parts = [{ goodsId: s.violin, quantity: '1' }]
    expect(await s.refusal(changeGoods, { goodsId: duo, parts })).toBe('invalid')
    await s.run(takeKitsApart, { goodsId: duo, quantity: '1' })
    await s.run(changeGoods, { goodsId: duo, parts })
  })

  test('of the parts it has by then, where somebody is changing them', async () => {
    let assembled: Promise<{ value: string }> | undefined
    await s.db.transaction(async (tx) => {
      await tx.update(goods).set({ name: 'A duo' }).where(eq(goods.id, duo))
      assembled = s.answer(assembleKits, { goodsId: duo, quantity: '1' })
      await sleep(300)
      await replaceParts(tx, duo, [{ goodsId: s.violin, quantity: decimal(2) }])
    })
    // Two violins at 600.00, no rosin.
    expect((await assembled!).value).toBe('1200.00')
    expect(await there(s.rosin)).toMatchObject({ onHand: '20' })
  })
})

describe('a part replaced on one sale', () => {
  test('goes instead, and only there; assembled ones hold the usual part', async () => {
    const { bow } = await addToldGoods(s)
    await s.run(countStock, { on: '2026-02-01', lines: [{ goodsId: bow, counted: '1', unitCost: '40' }] })
    await s.run(assembleKits, { goodsId: duo, quantity: '1' })
    const { saleId, lineId } = await sell('1')
    const other = await sell('1')
    expect(await s.answer(replacePart, { saleId, lineId, part: s.rosin, by: bow, quantity: '1' })).toMatchObject({
      lines: [{ parts: [{ goodsId: s.violin }, { goodsId: bow, perKit: '1' }] }],
    })
    expect(await picking(saleId)).toEqual([
      [s.violin, '1', '0'],
      [bow, '1', '0'],
    ])
    expect(await picking(other.saleId)).toEqual([[duo, '1', '0']])
    // 600.00 and 40.00
    expect((await s.answer(handOver, { saleId })).lines).toMatchObject([{ cost: '640.00' }])
    expect(await s.refusal(replacePart, { saleId, lineId, part: bow, by: s.rosin })).toBe('invalid')
    expect(await s.ties()).toEqual([])
  })

  test.each([
    ['a part it has not', (d: number) => ({ part: d, by: 2 })],
    ['another part of the same', () => ({ part: 1, by: 2 })],
    ['what is no goods in stock', () => ({ part: 1, by: 3 })],
  ])('%s: refused', async (_, wish) => {
    const { saleId, lineId } = await sell('1')
    expect(await s.refusal(replacePart, { saleId, lineId, ...wish(duo) })).toBe('invalid')
  })

  test('a kit that is changed leaves orders as they were made', async () => {
    const { saleId } = await sell('1')
    await s.run(changeGoods, { goodsId: duo, parts: [{ goodsId: s.violin, quantity: '1' }] })
    expect((await lineOf(saleId)).parts).toHaveLength(2)
    const later = await sell('1')
    expect((await lineOf(later.saleId)).parts).toHaveLength(1)
  })
})
