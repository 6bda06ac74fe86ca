import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { findBusiness } from '@/data/queries/business'
import { readParcels } from '@/model/parcel/parcels'
import { heronParcel } from '@/standins/carrier/carrier'
import { quoteCarrier, trackParcels } from '@/services/parcels/carrier'
import { correctPick, sendPick } from '@/services/parcels/picks'
import { startPick } from '@/services/parcels/startPicks'
import { handOverBy } from '@/services/sales/handOver'
import { openSending } from './sendingDesk'
import type { TestShop } from './shop'

let s: TestShop
let desk: Awaited<ReturnType<typeof openSending>>
let store: number
beforeEach(async () => {
  desk = await openSending()
  ;({ s, store } = desk)
})
afterEach(() => s.close())

describe('the carrier', () => {
  test('quotes each service, dearer as it grows heavier', async () => {
    const ask = (weight: string, country?: string) =>
      s.answer(quoteCarrier(heronParcel), { to: { address: '4 Mill Lane', country }, parcels: [{ weight }] })
    // 4.90 + 2 × 0.85, 6.90 + 2 × 1.15, 14.90 + 2 × 1.90
    expect((await ask('2')).map((q) => [q.service, q.price, q.days])).toEqual([
      ['Economy', '6.60', 5],
      ['Standard', '9.20', 3],
      ['Express', '18.70', 1],
    ])
    expect((await ask('2', 'CH'))[0]).toMatchObject({ service: 'Economy', price: '17.70' })
  })

  test('that does not know an address takes nothing, and nothing is handed over', async () => {
    const { saleId, lineId } = await desk.order('9 No Such Street')
    const wish = { saleId, lines: [{ lineId, quantity: '1' }], carrier: 'Heron Parcel' }
    expect(await s.refusal(handOverBy(heronParcel), wish)).toBe('carrier-refused')
    expect(await s.refusal(handOverBy(heronParcel), { ...wish, service: 'Overnight' })).toBe('invalid')
    expect(await desk.firstLine(saleId)).toMatchObject({ handedOver: '0' })
    // A carrier of one's own is not asked.
    expect(await s.answer(handOverBy(heronParcel), { ...wish, carrier: 'A friend' })).toMatchObject({
      by: 'parcel',
      parcels: [{ carrier: 'A friend', price: null, tracking: '' }],
    })
  })

  test('that is slow keeps nobody else waiting; what was changed meanwhile is not sent', async () => {
    const { saleId, lineId } = await desk.order('7 Slow Lane')
    const pick = await s.answer(startPick, { saleId, lines: [{ lineId, quantity: '3' }] })
    const wish = { pickId: pick.id, service: 'Economy' }
    let sent = false
    const sending = s.refusal(sendPick(heronParcel), wish).then((why) => {
      sent = true
      return why
    })
    // Somebody else picks it short while the carrier still thinks.
    await s.run(correctPick, { pickId: pick.id, lines: [{ lineId, from: [{ placeId: store, quantity: '2' }] }] })
    expect(sent).toBe(false)
    expect(await sending).toBe('changed-meanwhile')
    expect(await desk.firstLine(saleId)).toMatchObject({ handedOver: '0' })
    expect(await s.answer(sendPick(heronParcel), wish)).toMatchObject({ lines: [{ quantity: '2' }] })
  })

  test('is not asked to take anything where it is only looked at', async () => {
    const { saleId, lineId } = await desk.order('9 No Such Street')
    const asked = vi.spyOn(heronParcel, 'book')
    const wish = { saleId, lines: [{ lineId, quantity: '1' }], service: 'Express' }
    const seen = await handOverBy(heronParcel).preview(s.shop, wish)
    expect(seen.ok && seen.value.entries).toHaveLength(1)
    expect(asked).not.toHaveBeenCalled()
    asked.mockRestore()
  })

  test('delivers, or loses; parcels without lines say what goes', async () => {
    const { saleId, lineId } = await desk.order()
    const parcels = [
      { lines: [{ lineId, quantity: '2' }] },
      { lines: [{ lineId, quantity: '1' }], address: '1 Lost Valley' },
    ]
    expect(await s.refusal(handOverBy(heronParcel), { saleId, lines: [{ lineId, quantity: '2' }], parcels })).toBe(
      'invalid',
    )
    const sent = await s.answer(handOverBy(heronParcel), { saleId, parcels })
    expect(sent.lines).toMatchObject([{ quantity: '3' }])
    const states = async () => {
      await s.run(trackParcels(heronParcel), {})
      const where = { db: s.db, business: (await findBusiness(s.db))!, today: s.shop.today, currency: 'USD' }
      return (await readParcels(where, {})).map((p) => [p.state, p.arrivedOn])
    }
    expect(await states()).toEqual([
      ['sent', null],
      ['sent', null],
    ])
    // Standard takes three days; what is lost is known a week later.
    s.moveTo('2026-03-04')
    expect(await states()).toEqual([
      ['sent', null],
      ['delivered', '2026-03-04'],
    ])
    s.moveTo('2026-03-11')
    expect(await states()).toEqual([
      ['lost', null],
      ['delivered', '2026-03-04'],
    ])
  })
})
