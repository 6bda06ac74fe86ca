import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { listPost } from '@/data/queries/post'
import { countStock } from '@/services/goods/countStock'
import { billSale } from '@/services/billing/billSale'
import { heronParcel } from '@/standins/carrier/carrier'
import { correctPick, dropPick, packPick, sendPick } from '@/services/parcels/picks'
import { startPick } from '@/services/parcels/startPicks'
import { cancelSale } from '@/services/sales/closeSale'
import { listPicks } from '@/data/queries/pick'
import { handOver, handOverBy } from '@/services/sales/handOver'
import { startSale } from '@/services/sales/startSale'
import { addOutfit, addToldGoods } from './history/pieces'
import { openSending } from './sendingDesk'
import type { TestShop } from './shop'

let s: TestShop
let desk: Awaited<ReturnType<typeof openSending>>
let store: number
let shop: number
beforeEach(async () => {
  desk = await openSending()
  ;({ s, store, shop } = desk)
})
afterEach(() => s.close())

describe('an order picked short from two places', () => {
  test('is packed in two parcels, sent, invoiced for what went; the rest goes later', async () => {
    const { saleId, lineId } = await desk.order()
    const pick = await s.answer(startPick, { saleId })
    // 24 lie there: 16 in the store room, which is the fuller one, and 8 in the shop.
    expect(pick).toMatchObject({
      number: 'L-2026-0001',
      state: 'to pick',
      lines: [
        {
          wanted: '24',
          from: [
            { placeId: store, quantity: '16' },
            { placeId: shop, quantity: '8' },
          ],
        },
      ],
    })
    expect(await s.refusal(startPick, { saleId })).toBe('pick-open')
    // In the store room only 14 are whole.
    const found = [
      { placeId: store, quantity: '14' },
      { placeId: shop, quantity: '8' },
    ]
    expect(
      await s.refusal(correctPick, { pickId: pick.id, lines: [{ lineId, from: [{ placeId: shop, quantity: '9' }] }] }),
    ).toBe('not-at-place')
    expect(await s.answer(correctPick, { pickId: pick.id, lines: [{ lineId, from: found }] })).toMatchObject({
      state: 'picked',
      lines: [{ wanted: '24', picked: '22' }],
    })
    const box = (quantity: string) => ({ lines: [{ lineId, quantity }] })
    expect(await s.refusal(packPick, { pickId: pick.id, parcels: [box('20')] })).toBe('invalid')
    expect(await s.refusal(packPick, { pickId: pick.id, parcels: [box('20'), box('3')] })).toBe('invalid')
    const packed = await s.answer(packPick, { pickId: pick.id, parcels: [{ ...box('20'), weight: '2.5' }, box('2')] })
    // No weight is known of rosin: the second weighs what its letter box does.
    expect(packed.parcels).toMatchObject([
      { weight: '2.5', state: 'packed', address: '4 Mill Lane, Fernhollow' },
      { weight: '0.08', size: '25 × 18 × 5' },
    ])
    const sent = await s.answer(sendPick(heronParcel), { pickId: pick.id, service: 'economy' })
    // 22 at 6.00, as they were counted.
    expect(sent).toMatchObject({
      by: 'parcel',
      lines: [{ lineId, quantity: '22', cost: '132.00' }],
      parcels: [
        // 4.90 + 2.5 × 0.85 = 7.025, and 25 × 18 × 5 / 5000 = 0.45: 4.90 + 0.3825
        { carrier: 'Heron Parcel', service: 'Economy', price: '7.03', state: 'sent' },
        { price: '5.28' },
      ],
    })
    expect(new Set(sent.parcels.map((p) => p.tracking)).size).toBe(2)
    expect(sent.parcels[0]!.tracking).toMatch(/^\d{12}$/)
    expect(await s.refusal(sendPick(heronParcel), { pickId: pick.id })).toBe('pick-sent')
    expect(await s.refusal(correctPick, { pickId: pick.id, lines: [{ lineId, from: [] }] })).toBe('pick-sent')
    expect(await desk.firstLine(saleId)).toMatchObject({ handedOver: '22', readyToBill: '22', toHandOver: '2' })
    const [letter] = await listPost(s.db, {}, { limit: 1 })
    expect(letter!.paper).toBe('packing-slip')
    expect(letter!.body).toContain(`Heron Parcel Economy ${sent.parcels[0]!.tracking}`)
    const invoice = await s.answer(billSale, { saleId, what: 'handed-over', issue: true })
    // 22 × 12.50
    expect(invoice.totals.net).toBe('275.00')

    s.moveTo('2026-03-08')
    await s.run(handOver, { saleId })
    expect(await desk.firstLine(saleId)).toMatchObject({ handedOver: '24', toHandOver: '0' })
    expect(await s.ties()).toEqual([])
  })

  test('a pick list of a sale that is canceled is gone', async () => {
    const { saleId } = await desk.order()
    await s.answer(startPick, { saleId })
    await s.run(cancelSale, { saleId, reason: 'x' })
    expect(await listPicks(s.db, {})).toEqual([])
  })

  test('asked twice with one key is sent once, and the carrier is asked once', async () => {
    const { saleId, lineId } = await desk.order()
    const asked = vi.spyOn(heronParcel, 'book')
    const wish = { saleId, lines: [{ lineId, quantity: '1' }], service: 'Express' }
    const first = await s.answer(handOverBy(heronParcel), wish, 'one-key')
    // All the rest goes, so that nothing is left that could be sent.
    await s.run(handOver, { saleId })
    expect(await s.answer(handOverBy(heronParcel), wish, 'one-key')).toEqual(first)
    expect(asked).toHaveBeenCalledTimes(1)
    asked.mockRestore()
  })

  test('a pick list that is not sent can be thrown away, and made for some of it', async () => {
    const { saleId, lineId } = await desk.order()
    const first = await s.answer(startPick, { saleId, lines: [{ lineId, quantity: '3' }] })
    // Both places have three: of two as good the default one is taken.
    expect(first.lines).toMatchObject([{ wanted: '3', from: [{ placeId: shop, quantity: '3' }] }])
    await s.run(dropPick, { pickId: first.id })
    expect(await s.refusal(dropPick, { pickId: first.id })).toBe('not-found')
    expect(await s.answer(startPick, { saleId })).toMatchObject({ number: 'L-2026-0002' })
    expect(await s.ties()).toEqual([])
  })
})

describe('pieces that are told apart', () => {
  test('another serial is picked than was proposed; who comes second is told', async () => {
    const told = await addToldGoods(s)
    await s.run(countStock, {
      on: '2026-02-01',
      lines: [{ goodsId: told.viola, serials: ['V1', 'V2'], unitCost: '800' }],
    })
    const sell = async () => {
      const saleId = await s.run(startSale, {
        customerId: s.customer,
        agreed: true,
        lines: [{ goodsId: told.viola, quantity: '1' }],
      })
      return { ...(await s.answer(startPick, { saleId })), lineId: (await desk.firstLine(saleId)).id }
    }
    const one = await sell()
    expect(one.lines[0]!.from).toMatchObject([{ serials: ['V1'] }])
    const two = await sell()
    const from = [{ placeId: shop, serials: ['V2'], quantity: '1' }]
    await s.run(correctPick, { pickId: one.id, lines: [{ lineId: one.lineId, from }] })
    await s.run(sendPick(heronParcel), { pickId: one.id })
    expect(await s.refusal(correctPick, { pickId: two.id, lines: [{ lineId: two.lineId, from }] })).toBe('serial-gone')
    expect(await s.answer(sendPick(heronParcel), { pickId: two.id })).toMatchObject({
      by: 'counter',
      lines: [{ from: [{ serials: ['V1'] }] }],
      parcels: [],
    })
    expect(await s.ties()).toEqual([])
  })

  test('a kit is picked as its parts, and goes as far as they are picked', async () => {
    const told = await addToldGoods(s)
    const outfit = await addOutfit(s, told)
    await s.run(countStock, {
      on: '2026-02-01',
      lines: [
        { goodsId: told.bow, counted: '1', unitCost: '40' },
        { goodsId: told.strings, counted: '2', unitCost: '10', lot: 'L1' },
      ],
    })
    const saleId = await s.run(startSale, {
      customerId: s.customer,
      agreed: true,
      deliverTo: '4 Mill Lane',
      lines: [{ goodsId: outfit, quantity: '1' }],
    })
    const lineId = (await desk.firstLine(saleId)).id
    const pick = await s.answer(startPick, { saleId })
    expect(pick.lines.map((l) => [l.name, l.wanted])).toEqual([
      ['Violin', '1'],
      ['Strings', '2'],
      ['Bow', '1'],
    ])
    // Whole it is a line of a parcel; without its bow it goes as it is, in a parcel of no line.
    const parcels = [{ lines: [{ lineId, quantity: '1' }] }]
    expect((await s.answer(packPick, { pickId: pick.id, parcels })).parcels).toMatchObject([{ lines: [{ lineId }] }])
    await s.run(correctPick, { pickId: pick.id, lines: [{ lineId, goodsId: told.bow, from: [] }] })
    expect(await s.refusal(packPick, { pickId: pick.id, parcels })).toBe('invalid')
    const sent = await s.answer(sendPick(heronParcel), { pickId: pick.id, service: 'Economy' })
    expect(sent).toMatchObject({ by: 'parcel', parcels: [{ lines: [], state: 'sent' }] })
    expect(await desk.firstLine(saleId)).toMatchObject({
      handedOver: '0',
      parts: [{ toHandOver: '0' }, { toHandOver: '0' }, { goodsId: told.bow, toHandOver: '1' }],
    })
    expect(await s.ties()).toEqual([])
  })
})
