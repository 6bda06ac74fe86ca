import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { deliveriesList } from '@/lists/deliveries'
import { day } from '@/core/day'
import { toDecimalString } from '@/core/money'
import { findBusiness } from '@/data/queries/business'
import { listPicks } from '@/data/queries/pick'
import { listPost } from '@/data/queries/post'
import { listVersions } from '@/data/queries/saleVersion'
import { goodsView } from '@/model/goods/goods'
import { readWhereItLies } from '@/model/goods/placesOf'
import { readStockAges } from '@/model/goods/stockAges'
import { readDeliveries } from '@/model/parcel/deliveries'
import { readRound } from '@/model/paper/pickFacts'
import { startSale } from '@/services/sales/startSale'
import { saleView } from '@/model/sale/saleView'
import { billSale } from '@/services/billing/billSale'
import { adjustStock } from '@/services/goods/adjustStock'
import { countStock } from '@/services/goods/countStock'
import { changeGoods } from '@/services/goods/keepGoods'
import { correctPick, packPick, sendPick } from '@/services/parcels/picks'
import { startPick, startPicks } from '@/services/parcels/startPicks'
import { changeSale } from '@/services/sales/changeSale'
import { handOver } from '@/services/sales/handOver'
import { strikeOff } from '@/services/sales/strikeOff'
import { heronParcel } from '@/standins/carrier/carrier'
import { addToldGoods } from './history/pieces'
import { openSending } from './sendingDesk'
import type { TestShop } from './shop'

// 24 rosin at 12.50 are ordered: 16 lie in the store room, 8 in the shop.
let s: TestShop
let desk: Awaited<ReturnType<typeof openSending>>
beforeEach(async () => {
  desk = await openSending()
  s = desk.s
})
afterEach(() => s.close())

const sale = async (saleId: number) => (await saleView(s.db, saleId, (await findBusiness(s.db))!, s.shop.today))!
const letters = async () => (await listPost(s.db, {}, { limit: 9 })).map((l) => [l.paper, l.subject])

describe('what is not coming', () => {
  test('is struck off the order, which says what and why; what went stays', async () => {
    const { saleId, lineId } = await desk.order()
    await s.run(handOver, { saleId, lines: [{ lineId, quantity: '22' }] })
    const struck = await s.answer(strikeOff, { saleId, reason: 'the maker has none' })
    expect(struck.lines).toMatchObject([{ agreed: '22', toHandOver: '0' }])
    // 22 × 12.50
    expect(struck.totals.net).toBe('275.00')
    expect((await listVersions(s.db, saleId)).at(-1)!.reason).toBe('2 × Rosin struck off, the maker has none')
    expect(await s.refusal(strikeOff, { saleId, reason: 'x' })).toBe('nothing-to-hand-over')
    const invoice = await s.answer(billSale, { saleId, what: 'handed-over', issue: true })
    expect(invoice.totals.net).toBe('275.00')
    expect(await s.ties()).toEqual([])
  })

  test('is no more than is left, and never what was invoiced ahead', async () => {
    const { saleId, lineId } = await desk.order()
    const strike = (quantity: string) => ({ saleId, lines: [{ lineId, quantity }], reason: 'x' })
    expect(await s.refusal(strikeOff, strike('25'))).toBe('more-than-agreed')
    await s.answer(billSale, { saleId, what: 'remaining', issue: true })
    expect(await s.refusal(strikeOff, strike('1'))).toBe('less-than-done')
    expect(await s.refusal(strikeOff, { ...strike('1'), reason: ' ' })).toBe('invalid')
  })

  test('of a line named twice is both together', async () => {
    const { saleId, lineId } = await desk.order()
    const named = (...quantities: string[]) => ({
      saleId,
      lines: quantities.map((quantity) => ({ lineId, quantity })),
      reason: 'x',
    })
    expect(await s.refusal(strikeOff, named('20', '5'))).toBe('more-than-agreed')
    const struck = await s.answer(strikeOff, named('2', '3'))
    expect(struck.lines).toMatchObject([{ agreed: '19' }])
    expect((await listVersions(s.db, saleId)).at(-1)!.reason).toBe('5 × Rosin struck off, x')
  })

  test('of a pick list: what was not found is struck off as it is sent', async () => {
    const { saleId, lineId } = await desk.order()
    const pick = await s.answer(startPick, { saleId })
    await s.run(correctPick, { pickId: pick.id, lines: [{ lineId, from: [{ placeId: desk.store, quantity: '14' }] }] })
    await s.run(sendPick(heronParcel), { pickId: pick.id, strikeOff: 'broken' })
    expect((await sale(saleId)).lines).toMatchObject([{ agreed: '14', handedOver: '14', toHandOver: '0' }])
  })
})

describe('an open pick list', () => {
  test('loses what goes another way, with its parcels, and is gone when all of it went', async () => {
    const { saleId, lineId } = await desk.order()
    const pick = await s.answer(startPick, { saleId })
    await s.run(packPick, { pickId: pick.id, parcels: [{ lines: [{ lineId, quantity: '24' }] }] })
    await s.run(handOver, { saleId, lines: [{ lineId, quantity: '20' }] })
    const [open] = await listPicks(s.db, { saleId, open: true })
    expect(open).toMatchObject({ state: 'picked' })
    expect(open!.lines.map((l) => [l.wanted.toString(), l.from.map((f) => f.quantity)])).toEqual([['4', ['4']]])
    await s.run(strikeOff, { saleId, lines: [{ lineId, quantity: '1' }], reason: 'x' })
    await s.run(handOver, { saleId })
    expect(await listPicks(s.db, { saleId, open: true })).toEqual([])
  })
})

describe('freight', () => {
  test('is a charge of its own on the order, handed over and invoiced with the goods', async () => {
    const { saleId, lineId } = await desk.order()
    const wish = { saleId, lines: [{ lineId, quantity: '2' }], freight: '9.50' }
    expect((await s.answer(handOver, wish)).lines).toMatchObject([{ quantity: '2' }, { quantity: '1', cost: '0.00' }])
    const { lines } = await sale(saleId)
    expect(lines[1]).toMatchObject({ description: 'Freight', kind: 'charge', unitPrice: '9.5', readyToBill: '1' })
    const invoice = await s.answer(billSale, { saleId, what: 'handed-over', issue: true })
    // 2 × 12.50 and 9.50
    expect(invoice.totals.net).toBe('34.50')
    expect(await s.refusal(handOver, { saleId, freight: '-1' })).toBe('invalid')
    expect(await s.ties()).toEqual([])
  })
})

describe('a promised day that moves', () => {
  test('is told to the customer of an order, once, where there is an address and unless it is said not to', async () => {
    const { saleId } = await desk.order()
    await s.run(changeSale, { saleId, wantedBy: '2026-04-01' })
    expect(await letters()).toEqual([['confirmation', expect.stringMatching(/^New date for order \d+$/)]])
    expect((await listPost(s.db, {}, { limit: 1 }))[0]!.body).toContain('1 Apr 2026')
    await s.run(changeSale, { saleId, wantedBy: '2026-04-01' })
    await s.run(changeSale, { saleId, wantedBy: '2026-04-08', tell: false })
    await s.run(changeSale, { saleId, wantedBy: null })
    expect(await letters()).toHaveLength(1)
  })
})

describe('goods', () => {
  test('with a default place of their own lie there where nothing else is said', async () => {
    await s.run(changeGoods, { goodsId: s.rosin, placeId: desk.store })
    await s.run(adjustStock, { reason: 'found', lines: [{ goodsId: s.rosin, change: '3' }] })
    await s.run(adjustStock, { reason: 'found', lines: [{ goodsId: s.violin, change: '1' }] })
    const business = (await findBusiness(s.db))!
    const lies = async (id: number, placeId: number | null) =>
      (await readWhereItLies({ db: s.db, business, today: s.shop.today, currency: 'USD' }, { id, placeId })).map(
        (p) => `${p.name} ${p.onHand}`,
      )
    expect(await lies(s.rosin, desk.store)).toEqual(['Store room 3', 'Shop 20'])
    expect(await lies(s.violin, null)).toEqual(['Shop 6', 'Store room 0'])
    expect(await s.refusal(changeGoods, { goodsId: s.rosin, placeId: 99 })).toBe('invalid')
    expect(await s.refusal(changeGoods, { goodsId: s.setUp, placeId: desk.store })).toBe('invalid')
  })

  test('that are past are on hand and not available', async () => {
    const { glue } = await addToldGoods(s)
    const lot = (code: string, expires: string) => ({
      goodsId: glue,
      counted: '4',
      unitCost: '8',
      lot: { code, expires },
    })
    await s.run(countStock, { on: '2026-02-01', lines: [lot('OLD', '2026-02-15'), lot('NEW', '2026-09-30')] })
    expect(await goodsView(s.db, glue, (await findBusiness(s.db))!, s.shop.today)).toMatchObject({
      onHand: '8',
      available: '4',
    })
  })
})

describe('pick lists for all that can go', () => {
  test('are made for the oldest orders first, and no piece is on two of them', async () => {
    const first = await desk.order()
    // 24 lie there and 24 are ordered: nothing is left for the second, whose violins are there.
    const lines = [
      { goodsId: s.rosin, quantity: '2' },
      { goodsId: s.violin, quantity: '1' },
    ]
    const second = await s.run(startSale, { customerId: s.customer, agreed: true, lines })
    const { picks } = await s.answer(startPicks, {})
    expect(picks.map((p) => [p.saleId, p.lines.map((l) => [l.goodsId, l.wanted, l.from.length])])).toEqual([
      [
        second,
        [
          [s.rosin, '2', 0],
          [s.violin, '1', 1],
        ],
      ],
      [first.saleId, [[s.rosin, '24', 2]]],
    ])
    expect(await s.refusal(startPicks, {})).toBe('nothing-to-hand-over')
    const where = { db: s.db, business: (await findBusiness(s.db))!, today: s.shop.today }
    // One walk: the shop before the store room, and at the end what is missing.
    expect((await readRound(where)).map((r) => [r.place, r.name, r.quantity, r.missing])).toEqual([
      ['Shop', 'Rosin', '8', false],
      ['Shop', 'Violin', '1', false],
      ['Store room', 'Rosin', '16', false],
      ['', 'Rosin', '2', true],
    ])
  })
  test('are made however many layaways wait for money before them', async () => {
    await s.run(countStock, { lines: [{ goodsId: s.violin, counted: '102', unitCost: '500' }] })
    for (let n = 0; n < 101; n++)
      await s.run(startSale, {
        customerId: s.customer,
        agreed: true,
        arrangement: { kind: 'layaway' },
        lines: [{ goodsId: s.violin, quantity: '1' }],
      })
    const lines = [{ goodsId: s.violin, quantity: '1' }]
    const last = await s.run(startSale, { customerId: s.customer, agreed: true, lines })
    expect((await s.answer(startPicks, {})).picks.map((p) => p.saleId)).toContain(last)
  })
})

describe('stock by age', () => {
  test('is by the day it came in, the newest taken to be here still; the worths add up', async () => {
    const { bow } = await addToldGoods(s)
    const bows = (on: string, change: string, unitCost?: string) =>
      s.run(adjustStock, { on, reason: 'x', lines: [{ goodsId: bow, change, unitCost }] })
    await bows('2025-01-01', '2', '40')
    await bows('2026-02-20', '3', '50')
    // First in, first out: one of the old ones goes.
    await bows('2026-02-25', '-1')
    const where = { db: s.db, business: (await findBusiness(s.db))!, today: s.shop.today, currency: 'USD' }
    const of = async (goodsId: number, asOf = s.shop.today, placeId?: number) => {
      const row = (await readStockAges(where, { asOf, placeId })).find((r) => r.goodsId === goodsId)
      return row && [row.quantity.toString(), ...row.values.map(toDecimalString), row.oldest]
    }
    // 3 × 50.00 came within 30 days, and 1 × 40.00 more than a year ago; at the average 190.00 ÷ 4 each.
    expect(await of(bow)).toEqual(['4', '142.50', '0.00', '0.00', '0.00', '47.50', '2025-01-01'])
    // Rosin came on 1 January; brought to the store room on 1 February it did not come again.
    await desk.order()
    expect(await of(s.rosin)).toEqual(['24', '24.00', '120.00', '0.00', '0.00', '0.00', '2026-01-01'])
    expect(await of(s.rosin, s.shop.today, desk.store)).toEqual([
      '16',
      '96.00',
      '0.00',
      '0.00',
      '0.00',
      '0.00',
      '2026-02-01',
    ])
    expect(await of(bow, day('2024-12-31'))).toBeUndefined()
  })
})

describe('what we deliver ourselves', () => {
  test('stands as stops, with where to, what, and what is to be collected', async () => {
    const { saleId, lineId } = await desk.order()
    await s.run(handOver, { saleId, by: 'delivery', lines: [{ lineId, quantity: '4' }], freight: '9.50' })
    await s.run(billSale, { saleId, what: 'handed-over', issue: true })
    const where = { db: s.db, business: (await findBusiness(s.db))!, today: s.shop.today, currency: 'USD' }
    const [stop] = await readDeliveries(where, { on: s.shop.today }, {})
    expect(stop!.address).toBe('4 Mill Lane, Fernhollow')
    expect(deliveriesList.columns.find((c) => c.key === 'what')!.of(stop!, where)).toBe('4 × Rosin, 1 × Freight')
    // 4 × 12.50 and 9.50 are owed, and 8.25 % of them: 4.91
    expect(toDecimalString(stop!.open)).toBe('64.41')
    expect(await readDeliveries(where, { on: day('2026-02-01') }, {})).toEqual([])
  })
})
