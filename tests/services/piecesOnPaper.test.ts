import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { findBusiness } from '@/data/queries/business'
import { asPdf } from '@/api/lists/files'
import { findList } from '@/api/lists'
import { usualLayout } from '@/core/formats'
import { makeNamedPaper } from '@/documents/make'
import { makeParcelLabels } from '@/documents/makeParcelLabels'
import { makeSlip } from '@/documents/slip'
import { readQuickOffers } from '@/model/quickline/quickOffers'
import { readToday } from '@/model/today/today'
import { billSale } from '@/services/billing/billSale'
import { countStock } from '@/services/goods/countStock'
import { changeGoods } from '@/services/goods/keepGoods'
import { addPlace } from '@/services/goods/places'
import { sellAtCounter } from '@/services/money/sellAtCounter'
import { heronParcel } from '@/standins/carrier/carrier'
import { sendPick } from '@/services/parcels/picks'
import { startPick } from '@/services/parcels/startPicks'
import { handOver } from '@/services/sales/handOver'
import { startSale } from '@/services/sales/startSale'
import { changeSettings } from '@/services/access/changeSettings'
import { addOutfit, addToldGoods } from './history/pieces'
import { pdfText } from '../pdfText'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
let told: Awaited<ReturnType<typeof addToldGoods>>
let saleId: number
beforeAll(async () => {
  s = await openTestShop()
  await s.run(changeSettings, { address: '1 Workshop Yard' })
  told = await addToldGoods(s)
  const store = await s.run(addPlace, { code: 'STORE', name: 'Store room' })
  await s.run(changeGoods, { goodsId: told.viola, warrantyMonths: 24 })
  await s.run(countStock, {
    on: '2026-02-01',
    lines: [
      { goodsId: told.viola, serials: ['V1', 'V2', 'V3'], unitCost: '800' },
      { goodsId: told.glue, counted: '2', unitCost: '4', lot: { code: 'G9', expires: '2026-03-20' } },
    ],
  })
  await s.run(countStock, {
    on: '2026-02-01',
    placeId: store,
    lines: [{ goodsId: told.strings, counted: '6', unitCost: '9', lot: { code: 'L7', expires: '2027-05-31' } }],
  })
  saleId = await s.run(startSale, {
    customerId: s.customer,
    agreed: true,
    deliverTo: '4 Mill Lane\nFernhollow',
    lines: [
      { goodsId: told.viola, quantity: '2' },
      { goodsId: told.strings, quantity: '9' },
    ],
  })
})
afterAll(() => s.close())

const asked = async () => ({ db: s.db, business: (await findBusiness(s.db))!, today: s.shop.today })
const paper = async (kind: Parameters<typeof makeNamedPaper>[1], id: number) =>
  pdfText((await makeNamedPaper(await asked(), kind, id))!.body)

describe('on paper', () => {
  test('a pick list goes place by place, with lots and serials, room to write, and what is missing', async () => {
    const text = await paper('pick-list', saleId)
    expect(text).toMatch(/Pick list.*Picked/)
    expect(text).toMatch(/Viola.*Serial: V1, V2.*2.*Shop.*____.*Strings.*Lot: L7.*6.*Store room.*____/)
    // Nine are ordered and six lie there.
    expect(text).toMatch(/Strings Still to follow ST 3/)
    expect(text).not.toMatch(/\d\.\d\d/)
  })

  test('a layout of the owner’s own still shows how many lie there at all', async () => {
    const spec = {
      ...usualLayout('pick-list'),
      columns: (['onShelf', 'quantity'] as const).map((key) => ({ key, name: '' })),
    }
    const text = await pdfText((await makeNamedPaper(await asked(), 'pick-list', saleId, spec))!.body)
    // Three violas lie there and two are to be picked; six sets of strings, all of them.
    expect(text).toMatch(/On hand Quantity.*V2 3 2 Strings Lot: L7 6 6/)
  })

  test('a packing slip, its label and the manifest of the day name what went, and no price', async () => {
    const pick = await s.answer(startPick, { saleId })
    const sent = await s.answer(sendPick(heronParcel), { pickId: pick.id, service: 'Economy' })
    const slip = await paper('packing-slip', sent.id)
    expect(slip).toMatch(/Packing slip.*Serial: V1, V2; Warranty until 1 Mar 2028.*Lot: L7 \(6\)/)
    expect(slip).not.toMatch(/\d\.\d\d/)
    const [parcel] = sent.parcels
    const label = await pdfText((await makeParcelLabels(await asked(), sent.id))!.body)
    expect(label).toMatch(/From Test 1 Workshop Yard.*Heron Parcel Economy.*To Hazel Adair 4 Mill Lane Fernhollow/)
    expect(label).toContain(parcel!.tracking)
    const list = findList('parcels')!
    const where = { ...(await asked()), currency: 'USD' }
    const manifest = await pdfText(
      await asPdf(list.list, await list.read(where, { sentOn: '2026-03-01' }, 'all'), where, ''),
    )
    expect(manifest).toMatch(new RegExp(`Parcels.*Hazel Adair.*${parcel!.tracking}.*Economy`))
    expect(await makeParcelLabels(await asked(), 999)).toBeNull()
  })

  test('each invoice names the serials it is for', async () => {
    const invoices = []
    for (let n = 0; n < 2; n++) {
      const lines = (
        await s.db.execute<{ id: number }>(`select id from sale_line where sale_id = ${saleId} order by id limit 1`)
      ).map((l) => ({ lineId: l.id, quantity: '1' }))
      const made = await s.answer(billSale, { saleId, what: { lines }, issue: true })
      invoices.push(await paper('invoice', made.id))
    }
    expect(invoices[0]).toContain('Serial: V1')
    expect(invoices[0]).not.toContain('V2')
    expect(invoices[1]).toContain('Serial: V2')
  })

  test('the receipt of the counter names what was scanned', async () => {
    const sold = await s.answer(sellAtCounter, {
      lines: [
        { goodsId: told.viola, quantity: '1', serials: ['V3'] },
        { goodsId: told.glue, quantity: '1', lot: 'G9' },
      ],
      method: 'card',
    })
    const text = await pdfText((await makeSlip(await asked(), sold.receiptId))!.body)
    expect(text).toMatch(/1 × Viola; Serial: V3; Warranty until 1 Mar 2028.*1 × Hide glue; Lot: G9 \(1\)/)
  })

  test('a kit of which only parts went says which', async () => {
    const outfit = await addOutfit(s, told)
    const kit = await s.run(startSale, {
      customerId: s.customer,
      agreed: true,
      lines: [{ goodsId: outfit, quantity: '1' }],
    })
    const [line] = await s.db.execute<{ id: number }>(`select id from sale_line where sale_id = ${kit}`)
    const gone = await s.answer(handOver, {
      saleId: kit,
      lines: [{ lineId: line!.id, parts: [{ goodsId: s.violin, quantity: '1' }] }],
    })
    expect(await paper('packing-slip', gone.id)).toMatch(/Outfit.*1 × Violin/)
  })
})

describe('elsewhere', () => {
  test('the quick line finds a serial and a lot by how they begin', async () => {
    const found = async (typed: string) => (await readQuickOffers(await asked(), typed)).map((o) => [o.text, o.go])
    expect(await found('v2')).toContainEqual(['Serial V2', `/goods/serials/V2?goods=${told.viola}`])
    expect(await found('L7')).toContainEqual(['Lot L7', `/goods/lots/L7?goods=${told.strings}`])
  })

  test('Today tells the lot that expires within a month', async () => {
    const { db, business, today } = await asked()
    expect((await readToday(db, business, today)).expiring).toEqual({ lots: 1, first: '2026-03-20' })
  })
})
