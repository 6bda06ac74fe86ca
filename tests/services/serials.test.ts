import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { findBusiness } from '@/data/queries/business'
import { serialView } from '@/model/goods/lifeOf'
import { adjustStock } from '@/services/goods/adjustStock'
import { billSale } from '@/services/billing/billSale'
import { creditInvoice } from '@/services/billing/creditInvoice'
import { countStock } from '@/services/goods/countStock'
import { addCustomer } from '@/services/people/keepCustomer'
import { changeSale } from '@/services/sales/changeSale'
import { cancelSale } from '@/services/sales/closeSale'
import { handOver } from '@/services/sales/handOver'
import { returnGoods } from '@/services/sales/returnGoods'
import { readPicking } from '@/model/goods/picking'
import { saleView } from '@/model/sale/saleView'
import { addOutfit } from './history/pieces'
import { openPieces, type Pieces } from './piecesDesk'

let s: Pieces['s']
let told: Pieces['told']
let store: number
let stock: Pieces['stock']
let sell: Pieces['sell']
beforeEach(async () => {
  ;({ s, told, store, stock, sell } = await openPieces())
})
afterEach(() => s.close())

describe('serials', () => {
  const came = (serials: string[], unitCost: string, on = '2026-02-01') =>
    s.run(countStock, { on, lines: [{ goodsId: told.viola, serials, unitCost }] })

  test('one from its count to its third owner: each time at its own cost', async () => {
    await came(['V1'], '800')
    await came(['V2'], '950')
    const other = await s.run(addCustomer, { name: 'Noor Lind' })
    const first = await sell(told.viola, '1')
    await s.run(handOver, { ...first, lines: [{ lineId: first.lineId, quantity: '1', serials: ['V2'] }] })
    expect(await stock(told.viola)).toEqual(['shop V1 1: 800.00'])
    const second = await sell(told.viola, '1', other)
    const again = { saleId: second.saleId, lines: [{ lineId: second.lineId, quantity: '1', serials: ['V2'] }] }
    expect(await s.refusal(handOver, again)).toBe('serial-gone')
    const [handover] = await s.db.execute<{ id: number }>('select id from handover')
    await s.run(returnGoods, { handoverId: handover!.id, placeId: store, reason: 'They wanted the other one' })
    expect(await stock(told.viola)).toEqual(['shop V1 1: 800.00', 'store V2 1: 950.00'])
    await s.run(handOver, again)
    expect(await serialView(s.db, 'USD', s.shop.today, 'v2')).toMatchObject({
      goodsId: told.viola,
      serial: 'V2',
      cost: '950.00',
      placeId: null,
      customerId: other,
      life: [
        { what: 'Count', on: '2026-02-01', customerId: null },
        { what: 'Handover', customerId: s.customer },
        { what: 'Return', customerId: s.customer, placeId: store },
        { what: 'Handover', customerId: other, placeId: store },
      ],
    })
    expect(await s.ties()).toEqual([])
  })

  test('its number is the same however it is typed', async () => {
    await came(['FS-1'], '800')
    const again = { reason: 'x', lines: [{ goodsId: told.viola, change: '1', serials: ['fs-1'] }] }
    expect(await s.refusal(adjustStock, again)).toBe('serial-there')
    const twice = { lines: [{ goodsId: told.viola, serials: ['FS-2', 'fs-2'] }] }
    expect(await s.refusal(countStock, twice)).toBe('invalid')
    const { saleId, lineId } = await sell(told.viola, '1')
    await s.run(handOver, { saleId, lines: [{ lineId, quantity: '1', serials: ['fs-1'] }] })
    expect(await stock(told.viola)).toEqual([])
  })

  test('what came first goes first where none is named; two goes by their own cost', async () => {
    await came(['V3'], '700', '2026-02-09')
    await came(['V1', 'V2'], '800', '2026-02-01')
    const { saleId } = await sell(told.viola, '2')
    await s.run(handOver, { saleId })
    expect(await stock(told.viola)).toEqual(['shop V3 1: 700.00'])
    expect(await s.ties()).toEqual([])
  })

  test('of several that went only the one that is named comes back, or is scrapped', async () => {
    await came(['V1'], '800')
    await came(['V2'], '950')
    const { saleId, lineId } = await sell(told.viola, '2')
    await s.run(handOver, { saleId })
    const [handover] = await s.db.execute<{ id: number }>('select id from handover')
    const back = (serial: string, more = {}) => ({
      handoverId: handover!.id,
      lines: [{ lineId, quantity: '1', serials: [serial] }],
      reason: 'A crack in the top',
      ...more,
    })
    expect(await s.refusal(returnGoods, back('V9'))).toBe('invalid')
    expect(await s.answer(returnGoods, back('V1'))).toMatchObject({ lines: [{ quantity: '1', cost: '800.00' }] })
    expect(await s.refusal(returnGoods, back('V1'))).toBe('invalid')
    expect(await stock(told.viola)).toEqual(['shop V1 1: 800.00'])
    await s.run(returnGoods, back('V2', { scrap: true }))
    expect(await stock(told.viola)).toEqual(['shop V1 1: 800.00'])
    expect((await serialView(s.db, 'USD', s.shop.today, 'V2'))!.life.map((l) => l.what)).toEqual([
      'Count',
      'Handover',
      'Return',
      'Adjustment',
    ])
    expect(await s.ties()).toEqual([])
  })

  test('after the invoice: the one that is named comes back with its credit, to the bench or off stock', async () => {
    await came(['V1'], '800')
    await came(['V2'], '950')
    const { saleId, lineId } = await sell(told.viola, '2')
    await s.run(handOver, { saleId })
    const invoice = await s.answer(billSale, { saleId, what: 'handed-over', issue: true })
    const credit = (serial: string, more = {}) => ({
      invoiceId: invoice.id,
      lines: [{ lineId, quantity: '1', serials: [serial] }],
      reason: 'A crack in the top',
      returnGoods: true,
      ...more,
    })
    expect(await s.refusal(creditInvoice, credit('V9'))).toBe('invalid')
    await s.run(creditInvoice, credit('V1', { placeId: store }))
    expect(await stock(told.viola)).toEqual(['store V1 1: 800.00'])
    expect(await s.refusal(creditInvoice, credit('V1'))).toBe('invalid')
    await s.run(creditInvoice, credit('V2', { scrap: true }))
    expect(await stock(told.viola)).toEqual(['store V1 1: 800.00'])
    expect(await s.ties()).toEqual([])
  })

  test.each([
    ['unknown', { serials: ['V9'], change: '-1' }, 'no-such-serial'],
    ['there already', { serials: ['V1'], change: '1' }, 'serial-there'],
    ['elsewhere', { serials: ['V1'], change: '-1', placeId: 2 }, 'serial-elsewhere'],
    ['none for what comes', { change: '1' }, 'invalid'],
    ['fewer than pieces', { serials: ['V9'], change: '2' }, 'invalid'],
    ['twice', { serials: ['V8', 'V8'], change: '2' }, 'invalid'],
    ['half a one', { change: '-0.5' }, 'whole-serials'],
    ['before it came', { serials: ['V1'], change: '-1', on: '2026-01-20' }, 'not-before'],
  ])('a serial that is %s is told, and nothing is saved', async (_, { on, ...line }: Record<string, unknown>, why) => {
    await came(['V1'], '800')
    expect(await s.refusal(adjustStock, { on, reason: 'x', lines: [{ goodsId: told.viola, ...line }] })).toBe(why)
    expect(await stock(told.viola)).toEqual(['shop V1 1: 800.00'])
  })

  test('one that is missing is counted away, and found again at what it had cost', async () => {
    await came(['V1', 'V2'], '800')
    await s.run(countStock, { on: '2026-02-10', lines: [{ goodsId: told.viola, counted: '0', serials: ['V1'] }] })
    expect(await stock(told.viola)).toEqual(['shop V2 1: 800.00'])
    await s.run(countStock, { on: '2026-02-20', lines: [{ goodsId: told.viola, serials: ['V1', 'V2'] }] })
    expect(await stock(told.viola)).toEqual(['shop V1 1: 800.00', 'shop V2 1: 800.00'])
    // Found on a day on which it had not gone yet: it would be there twice.
    expect(
      await s.refusal(adjustStock, {
        on: '2026-02-05',
        reason: 'x',
        lines: [{ goodsId: told.viola, change: '1', serials: ['V1'] }],
      }),
    ).toBe('serial-there')
    expect(await s.ties()).toEqual([])
  })
})

describe('a kit in several goes', () => {
  const view = async (saleId: number) =>
    (await saleView(s.db, saleId, (await findBusiness(s.db))!, s.shop.today))!.lines[0]!

  test('is whole when the last part went; until then nothing of it may be invoiced', async () => {
    const outfit = await addOutfit(s, told)
    await s.run(countStock, {
      on: '2026-02-01',
      lines: [
        { goodsId: told.bow, counted: '1', unitCost: '40' },
        { goodsId: told.strings, counted: '4', unitCost: '10', lot: 'L1' },
      ],
    })
    const { saleId, lineId } = await sell(outfit, '2')
    expect((await view(saleId)).parts).toMatchObject([
      { goodsId: s.violin, name: 'Violin', perKit: '1', agreed: '2', toHandOver: '2', available: '2' },
      { goodsId: told.strings, perKit: '2', agreed: '4', toHandOver: '4', available: '4' },
      { goodsId: told.bow, agreed: '2', toHandOver: '2', available: '1' },
    ])
    const part = (goodsId: number, quantity: string) => ({ goodsId, quantity })
    const go = (...parts: { goodsId: number; quantity: string }[]) => ({ saleId, lines: [{ lineId, parts }] })
    // Both violins and three strings go ahead: 2 × 600.00 and 3 × 10.00.
    const first = await s.answer(handOver, go(part(s.violin, '2'), part(told.strings, '3')))
    expect(first.lines).toMatchObject([{ lineId, quantity: '0', cost: '1230.00' }])
    expect(await view(saleId)).toMatchObject({ handedOver: '0', readyToBill: '0', toHandOver: '2', setAside: '1' })
    expect(await s.refusal(handOver, go(part(s.violin, '1')))).toBe('more-than-agreed')
    expect(await s.refusal(handOver, go(part(s.rosin, '1')))).toBe('invalid')
    expect(await s.refusal(changeSale, { saleId, lines: [{ goodsId: outfit, quantity: '1' }] })).toBe('less-than-done')
    expect(await s.refusal(cancelSale, { saleId, reason: 'x' })).toBe('goods-or-bills-first')
    const business = (await findBusiness(s.db))!
    expect((await readPicking(s.db, saleId, s.shop.today, { business, today: s.shop.today }))!.lines).toMatchObject([
      { goodsId: told.strings, quantity: '1', short: '0' },
      { goodsId: told.bow, quantity: '2', short: '1' },
    ])
    // The bow makes one of them whole; the last string and the other bow are still to go.
    await s.run(handOver, go(part(told.bow, '1')))
    expect(await view(saleId)).toMatchObject({ handedOver: '1', readyToBill: '1', toHandOver: '1' })
    await s.run(countStock, { on: '2026-03-01', lines: [{ goodsId: told.bow, counted: '1', unitCost: '50' }] })
    const last = await s.answer(handOver, { saleId })
    // One more kit: its violin and a string are there already. A string at 10.00, a bow at 50.00.
    expect(last.lines).toMatchObject([{ quantity: '1', cost: '60.00' }])
    expect(await view(saleId)).toMatchObject({ handedOver: '2', toHandOver: '0' })
    expect(await s.ties()).toEqual([])
  })

  test('parts that went ahead come back with their handover', async () => {
    const outfit = await addOutfit(s, told)
    const { saleId, lineId } = await sell(outfit, '1')
    const { id } = await s.answer(handOver, {
      saleId,
      lines: [{ lineId, parts: [{ goodsId: s.violin, quantity: '1' }] }],
    })
    expect(await stock(s.violin)).toEqual(['shop - 4: 2400.00'])
    await s.run(returnGoods, { handoverId: id, reason: 'Not alone' })
    expect(await stock(s.violin)).toEqual(['shop - 5: 3000.00'])
    expect(await s.refusal(returnGoods, { handoverId: id, reason: 'Again' })).toBe('billed-is-credited')
    await s.run(cancelSale, { saleId, reason: 'x' })
    expect(await s.ties()).toEqual([])
  })
})
