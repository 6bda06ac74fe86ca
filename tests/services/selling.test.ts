import { beforeAll, describe, expect, test } from 'vitest'
import { sql } from 'drizzle-orm'
import { day } from '@/core/day'
import { findBusiness, type Business } from '@/data/queries/business'
import { billSale } from '@/services/billing/billSale'
import { addGoods, changeGoods } from '@/services/goods/keepGoods'
import { addPriceLevel, addTaxArea } from '@/services/goods/priceLevels'
import { addCustomer, changeCustomer } from '@/services/people/keepCustomer'
import { joinCustomers } from '@/services/people/joinCustomers'
import { readLookAlikes } from '@/model/people/lookAlikes'
import { takeReceipt } from '@/services/money/takeReceipt'
import { readPrice } from '@/model/goods/prices'
import { readComparison } from '@/model/sale/versions'
import { usualView } from '@/model/sale/usualGoods'
import { saleView } from '@/model/sale/saleView'
import { agreeSale } from '@/services/sales/agreeSale'
import { changeSale } from '@/services/sales/changeSale'
import { copySale } from '@/services/sales/copySale'
import { declineSale } from '@/services/sales/closeSale'
import { handOver } from '@/services/sales/handOver'
import { startRepeat, stopRepeat } from '@/services/sales/keepRepeat'
import { dropNext, putOffNext } from '@/services/sales/markNext'
import { offerSale } from '@/services/sales/offerSale'
import { runDueRepeats } from '@/services/sales/runRepeats'
import { startSale } from '@/services/sales/startSale'
import { readSaleCosts, readOffers } from '@/model/sale/reports'
import { decimal } from '@/core/money'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
let business: Business
beforeAll(async () => {
  s = await openTestShop()
  business = (await findBusiness(s.db))!
})
const view = async (saleId: number, today = s.today) => (await saleView(s.db, saleId, business, today))!
const priceFor = (customerId: number, quantity: string) =>
  readPrice(s.db, { goodsId: s.rosin, quantity: decimal(quantity), customerId }, business, s.today)

describe('prices', () => {
  test('a level’s percentage, its own price, and steps; the line says where it came from', async () => {
    await s.run(addPriceLevel, { code: 'SCHOOL', name: 'Schools', percentOff: '10' })
    const school = await s.run(addCustomer, { name: 'Alder Street', priceLevel: 'school' })
    // 12.50 − 10 % = 11.25
    expect(await priceFor(school, '1')).toMatchObject({ price: '11.25', from: 'Schools, 10 % off the list' })
    await s.run(changeGoods, {
      goodsId: s.rosin,
      prices: [
        { fromQuantity: '10', price: '11.00' },
        { level: 'SCHOOL', fromQuantity: '20', price: '8.80' },
      ],
    })
    // 11.00 − 10 % = 9.90; from 20 their own 8.80
    expect(await priceFor(school, '10')).toMatchObject({ price: '9.9', from: 'Schools, 10 % off from 10' })
    expect(await priceFor(school, '20')).toMatchObject({ price: '8.8', from: 'Schools, from 20' })
    expect(await priceFor(s.customer, '20')).toMatchObject({ price: '11', from: 'from 10' })
    const sale = await s.answer(startSale, {
      customerId: school,
      lines: [
        { goodsId: s.rosin, quantity: '20' },
        { goodsId: s.rosin, quantity: '1', unitPrice: '5.00' },
      ],
    })
    expect(sale.lines.map((l) => [l.unitPrice, l.priceFrom])).toEqual([
      ['8.8', 'Schools, from 20'],
      ['5', 'typed'],
    ])
    expect(await s.refusal(addCustomer, { name: 'X', priceLevel: 'nobody' })).toBe('invalid')
  })

  test('a level with tax in its prices turns the list, and the sale shows prices with tax', async () => {
    await s.run(addPriceLevel, { code: 'HOME', name: 'Private', pricesIncludeTax: true })
    const player = await s.run(addCustomer, { name: 'Orla Vance', priceLevel: 'HOME' })
    // 1,000.00 × 1.0825 = 1,082.50 with tax; net 1,000.00, tax 82.50
    const sale = await s.answer(startSale, {
      customerId: player,
      lines: [{ goodsId: s.violin, quantity: '1' }],
    })
    expect(sale).toMatchObject({
      pricesIncludeTax: true,
      lines: [{ unitPrice: '1082.5' }],
      totals: { net: '1000.00', tax: '82.50', gross: '1082.50' },
    })
  })

  test('a kit may cost what its parts cost together', async () => {
    const kit = await s.run(addGoods, {
      code: 'KIT',
      name: 'Outfit',
      kind: 'kit',
      price: '0',
      priceIsSum: true,
      parts: [
        { goodsId: s.violin, quantity: '1' },
        { goodsId: s.rosin, quantity: '2' },
      ],
    })
    const sale = await s.answer(startSale, {
      customerId: s.customer,
      lines: [{ goodsId: kit, quantity: '1' }],
    })
    // 1,000.00 + 2 × 12.50
    expect(sale.lines[0]).toMatchObject({ unitPrice: '1025' })
  })

  test('the tax area of the address picks the code', async () => {
    await s.run(addTaxArea, { code: 'OUT', name: 'Out of state', taxCode: 'ZERO' })
    const away = await s.run(addCustomer, {
      name: 'Far Away',
      addresses: [{ kind: 'deliver-to', text: '1 Far Road', taxArea: 'OUT', instructions: 'Ring twice' }],
    })
    const sale = await s.answer(startSale, {
      customerId: away,
      lines: [{ goodsId: s.violin, quantity: '1' }],
    })
    expect(sale).toMatchObject({
      deliverTo: '1 Far Road',
      deliverNote: 'Ring twice',
      totals: { tax: '0.00' },
      lines: [{ taxCode: 'ZERO' }],
    })
  })
})

describe('off the whole', () => {
  test('is shared over the lines and billed in parts to the cent', async () => {
    // 100.00 + 50.00 = 150.00 less 10.00 = 140.00; tax 11.55
    const sale = await s.answer(startSale, {
      customerId: s.customer,
      discountAmount: '10.00',
      lines: [
        { description: 'A', quantity: '3', unitPrice: '33.3333' },
        { description: 'B', quantity: '1', unitPrice: '50.00' },
      ],
    })
    expect(sale.totals).toEqual({ net: '140.00', tax: '11.55', gross: '151.55' })
    await s.run(agreeSale, { saleId: sale.id })
    const first = await s.answer(billSale, {
      saleId: sale.id,
      what: { lines: [{ lineId: sale.lines[0]!.id, quantity: '1' }] },
      issue: true,
    })
    // a third of 100.00 − 6.67 = 93.33 → 31.11
    expect(first.totals.net).toBe('31.11')
    await s.run(changeSale, {
      saleId: sale.id,
      lines: [
        { lineId: sale.lines[0]!.id, description: 'A', quantity: '3', unitPrice: '33.3333' },
        { description: 'C', quantity: '1', unitPrice: '20.00' },
      ],
    })
    // A keeps its 6.67; C takes the 3.33 B had: 93.33 + 16.67 = 110.00
    expect((await view(sale.id)).totals.net).toBe('110.00')
    const rest = await s.answer(billSale, { saleId: sale.id, what: 'remaining', issue: true })
    expect(rest.totals.net).toBe('78.89')
    expect(await view(sale.id)).toMatchObject({ money: { billed: '119.08', notBilled: '0.00' } })
    expect(await s.ties()).toEqual([])
  })

  test('a percentage comes off after what is off the lines', async () => {
    // 4 × 25.00 − 10 % − 6.00 = 84.00; less 5 % = 79.80
    const sale = await s.answer(startSale, {
      customerId: s.customer,
      discountPercent: '5',
      lines: [{ description: 'A', quantity: '4', unitPrice: '25', discountPercent: '10', discountAmount: '6.00' }],
    })
    expect(sale.totals.net).toBe('79.80')
  })
})

describe('an estimate with choices', () => {
  const lines = () => [
    { kind: 'heading' as const, description: 'The instrument' },
    { goodsId: s.violin, quantity: '1', choice: 'alternative' as const, choiceGroup: 'Violin' },
    {
      description: 'A finer violin',
      quantity: '1',
      unitPrice: '2000.00',
      choice: 'alternative' as const,
      choiceGroup: 'Violin',
    },
    { goodsId: s.rosin, quantity: '2', choice: 'optional' as const },
    { kind: 'text' as const, description: 'Everything is set up before it goes.' },
  ]
  test('counts what counts, and agrees to what is taken', async () => {
    const sale = await s.answer(startSale, { customerId: s.customer, lines: lines() })
    // the first of the two violins alone
    expect(sale.totals.net).toBe('1000.00')
    const [, first, finer, rosin] = sale.lines
    await s.run(offerSale, { saleId: sale.id })
    expect(
      await s.refusal(agreeSale, {
        saleId: sale.id,
        lines: [
          { lineId: first!.id, quantity: '1' },
          { lineId: finer!.id, quantity: '1' },
        ],
      }),
    ).toBe('two-of-one-choice')
    const agreed = await s.answer(agreeSale, {
      saleId: sale.id,
      by: 'Ms. Adair',
      how: 'phone',
      lines: [
        { lineId: finer!.id, quantity: '1' },
        { lineId: rosin!.id, quantity: '2' },
      ],
    })
    expect(agreed).toMatchObject({ stands: 'agreed', yesBy: 'Ms. Adair', totals: { net: '2025.00' } })
    expect(agreed.lines.map((l) => l.agreed)).toEqual(['0', '0', '1', '2', '0'])
  })

  test('two versions stand beside each other, before and after agreement', async () => {
    const sale = await s.answer(startSale, {
      customerId: s.customer,
      lines: [
        { goodsId: s.rosin, quantity: '2' },
        { description: 'Case', quantity: '1', unitPrice: '90' },
      ],
    })
    await s.run(offerSale, { saleId: sale.id })
    await s.run(changeSale, {
      saleId: sale.id,
      lines: [
        { lineId: sale.lines[0]!.id, goodsId: s.rosin, quantity: '3' },
        { description: 'Bow', quantity: '1', unitPrice: '150' },
      ],
    })
    await s.run(offerSale, { saleId: sale.id })
    const c = (await readComparison(s.db, sale.id, {}, 'USD'))!
    expect(c.lines.map((l) => [l.how, (l.now ?? l.before)!.description])).toEqual([
      ['changed', 'Rosin'],
      ['dropped', 'Case'],
      ['added', 'Bow'],
    ])
    await s.run(agreeSale, { saleId: sale.id })
    const bow = (await view(sale.id)).lines[1]!
    await s.run(changeSale, {
      saleId: sale.id,
      lines: [{ lineId: sale.lines[0]!.id, goodsId: s.rosin, quantity: '3' }],
    })
    const now = await view(sale.id)
    // what was agreed and dropped stays visible, at nothing
    expect(now.lines.find((l) => l.id === bow.id)).toMatchObject({ agreed: '0', description: 'Bow' })
    expect((await readComparison(s.db, sale.id, { before: 3, now: 4 }, 'USD'))!.lines.map((l) => l.how)).toEqual([
      'same',
      'dropped',
    ])
  })

  test('is copied to a new draft at today’s prices', async () => {
    const sale = await s.answer(startSale, { customerId: s.customer, lines: lines(), note: 'By Friday' })
    await s.run(changeGoods, { goodsId: s.violin, price: '1100.00' })
    const copy = await s.answer(copySale, { saleId: sale.id })
    expect(copy).toMatchObject({ stands: 'draft', note: 'By Friday', totals: { net: '1100.00' } })
    expect(copy.lines.map((l) => [l.kind, l.choice])).toEqual(sale.lines.map((l) => [l.kind, l.choice]))
    await s.run(changeGoods, { goodsId: s.violin, price: '1000.00' })
  })

  test('may start as an order, and only of a kind there is', async () => {
    const sale = await s.answer(startSale, {
      customerId: s.customer,
      agreed: true,
      purchaseOrder: 'PO 7',
      kind: 'repairs',
      lines: [{ goodsId: s.rosin, quantity: '1' }],
    })
    expect(sale).toMatchObject({ stands: 'agreed', purchaseOrder: 'PO 7', kind: 'repairs' })
    expect(await s.refusal(startSale, { customerId: s.customer, kind: 'piracy' })).toBe('no-such-kind')
    expect(await s.refusal(startSale, { customerId: s.customer, agreed: true })).toBe('nothing-on-sale')
  })
})

describe('next', () => {
  test('a step is put off until a day, or done away with, until it is another step', async () => {
    const sale = await s.answer(startSale, {
      customerId: s.customer,
      on: '2026-02-01',
      lines: [{ goodsId: s.rosin, quantity: '1' }],
    })
    expect(sale.next[0]).toMatchObject({ action: 'offer' })
    expect(await s.refusal(putOffNext, { saleId: sale.id, action: 'bill', until: '2026-03-05' })).toBe('no-such-step')
    expect(await s.refusal(putOffNext, { saleId: sale.id, action: 'offer', until: '2026-03-01' })).toBe('invalid')
    await s.run(putOffNext, { saleId: sale.id, action: 'offer', until: '2026-03-05' })
    expect((await view(sale.id)).next).toEqual([])
    expect((await view(sale.id, day('2026-03-05'))).next).toMatchObject([{ action: 'offer' }])
    await s.run(offerSale, { saleId: sale.id, on: '2026-02-10', validUntil: '2026-03-31' })
    await s.run(dropNext, { saleId: sale.id, action: 'ask-again', reason: 'They will call' })
    expect((await view(sale.id)).next).toEqual([])
    await s.run(offerSale, { saleId: sale.id, on: '2026-02-20', validUntil: '2026-03-31' })
    expect((await view(sale.id)).next).toMatchObject([{ action: 'ask-again' }])
  })
})

describe('a sale that comes again', () => {
  test('is made on its day, once, and catches up on days that were missed', async () => {
    const sale = await s.answer(startSale, {
      customerId: s.customer,
      title: 'Rental',
      lines: [{ description: 'Rental, month', quantity: '1', unitPrice: '26.00' }],
    })
    const repeatId = await s.run(startRepeat, {
      saleId: sale.id,
      every: 'month',
      firstOn: '2026-03-31',
      times: 3,
      makes: 'invoice',
      byItself: true,
    })
    expect(await runDueRepeats(s.shop, 'USD')).toEqual([])
    const later = { ...s.shop, today: day('2026-05-01') }
    const ran = await runDueRepeats(later, 'USD')
    expect(ran).toHaveLength(2)
    expect(await runDueRepeats(later, 'USD')).toEqual([])
    // 26.00 and 2.145 → 2.15
    expect(await view(ran[1]!.saleId, later.today)).toMatchObject({
      stands: 'owing',
      startedOn: '2026-04-30',
      money: { billed: '28.15' },
    })
    await s.run(stopRepeat, { repeatId })
    expect(await runDueRepeats({ ...s.shop, today: day('2027-01-01') }, 'USD')).toEqual([])
    await expect(
      s.db.execute(
        sql`insert into repeat_run (repeat_id, on_day, sale_id) values (${repeatId}, '2026-03-31', ${sale.id})`,
      ),
    ).rejects.toThrow()
  })

  test('is only prepared where it should be looked at first', async () => {
    const sale = await s.answer(startSale, {
      customerId: s.customer,
      lines: [{ goodsId: s.rosin, quantity: '1' }],
    })
    await s.run(startRepeat, { saleId: sale.id, every: 'week', firstOn: '2026-03-01', makes: 'offer' })
    const [ran] = await runDueRepeats(s.shop, 'USD')
    expect(await view(ran!.saleId)).toMatchObject({ stands: 'draft' })
  })
})

describe('people', () => {
  test('look-alikes are found before a double is made', async () => {
    const found = await readLookAlikes(s.db, { name: 'Hasel Adair', email: '', phone: '' }, business, s.today)
    expect(found).toMatchObject([{ name: 'Hazel Adair', why: 'similar name' }])
  })

  test('two records become one with all their papers, and the ties stay', async () => {
    const [kept, gone] = [
      await s.run(addCustomer, { name: 'Ines Marlowe', tags: ['Cello'] }),
      await s.run(addCustomer, { name: 'I. Marlowe', email: 'ines@mail.example', terms: { net: 14 } }),
    ]
    const sale = await s.answer(startSale, {
      customerId: gone,
      agreed: true,
      lines: [{ goodsId: s.rosin, quantity: '2' }],
    })
    await s.run(handOver, { saleId: sale.id })
    const invoice = await s.answer(billSale, { saleId: sale.id, what: 'remaining', issue: true })
    await s.run(takeReceipt, { customerId: gone, method: 'cash', amount: '10.00' })
    await s.run(takeReceipt, { customerId: gone, method: 'cash', amount: '5.00', for: 'account' })
    await s.run(takeReceipt, { customerId: kept, method: 'cash', amount: '7.00', for: 'account' })
    const joined = await s.answer(joinCustomers, { customerId: kept, goneId: gone })
    // 25.00 + 2.06 − 10.00 open; 5.00 and 7.00 held
    expect(joined).toMatchObject({
      name: 'Ines Marlowe',
      email: 'ines@mail.example',
      owed: '17.06',
      held: '12.00',
    })
    expect(await view(sale.id)).toMatchObject({ customerId: kept })
    expect(invoice.customerId).toBe(gone)
    expect(await s.ties()).toEqual([])
    expect(await s.refusal(startSale, { customerId: gone })).toBe('joined')
    expect(await s.refusal(joinCustomers, { customerId: kept, goneId: gone })).toBe('joined')
    expect(await s.refusal(joinCustomers, { customerId: kept, goneId: kept })).toBe('same-customer')
    await expect(s.db.execute(sql`update invoice set customer_id = ${gone} where id = ${invoice.id}`)).rejects.toThrow()
  })

  test('what they usually take, with today’s price', async () => {
    const player = await s.run(addCustomer, { name: 'Tamsin Kerr' })
    for (const quantity of ['2', '3'])
      await s.run(startSale, {
        customerId: player,
        agreed: true,
        lines: [{ goodsId: s.rosin, quantity, unitPrice: '9.00' }],
      })
    expect(await usualView(s.db, player, business, s.today)).toMatchObject([
      { name: 'Rosin', times: 2, quantity: '5', lastQuantity: '3', lastPrice: '9', price: '12.5' },
    ])
  })

  test('contacts, several addresses, tags and the usual one of each', async () => {
    const id = await s.run(addCustomer, {
      name: 'School',
      tags: ['Strings', 'strings', ''],
      contacts: [{ name: 'Ms. Prior', role: 'orders' }],
      addresses: [
        { kind: 'bill-to', text: 'A' },
        { kind: 'bill-to', text: 'B', isDefault: true },
        { kind: 'deliver-to', text: 'C' },
      ],
    })
    const c = await s.answer(changeCustomer, { customerId: id, language: 'de' })
    expect(c).toMatchObject({ language: 'de', tags: ['strings'], contacts: [{ name: 'Ms. Prior' }] })
    expect(c.addresses.map((a) => [a.text, a.isDefault])).toEqual([
      ['A', false],
      ['B', true],
      ['C', true],
    ])
    expect(await s.refusal(changeCustomer, { customerId: id, addresses: [{ text: 'X', taxArea: 'NOWHERE' }] })).toBe(
      'invalid',
    )
  })
})

describe('reports', () => {
  test('estimates by what they were lost to, and expected against actual cost', async () => {
    const fresh = await openTestShop()
    const own = (await findBusiness(fresh.db))!
    const start = async (quantity: string) =>
      fresh.answer(startSale, { customerId: fresh.customer, lines: [{ goodsId: fresh.violin, quantity }] })
    const [won, lost] = [await start('2'), await start('1')]
    for (const sale of [won, lost]) await fresh.run(offerSale, { saleId: sale.id })
    await fresh.run(declineSale, { saleId: lost.id, reason: 'Too dear' })
    fresh.moveTo('2026-03-31')
    await fresh.run(agreeSale, { saleId: won.id, on: '2026-03-04' })
    await fresh.run(handOver, {
      saleId: won.id,
      on: '2026-03-04',
      lines: [{ lineId: won.lines[0]!.id, quantity: '1' }],
    })
    await fresh.run(billSale, { saleId: won.id, on: '2026-03-04', what: 'handed-over', issue: true })
    const span = { from: day('2026-01-01'), to: day('2026-12-31') }
    const [month] = await readOffers(fresh.db, span, 'month', own, fresh.today)
    expect(month).toMatchObject({ group: '2026-03', sent: 2, agreed: 1, lost: 1 })
    expect([month!.rate!.toString(), month!.days!.toString()]).toEqual(['50', '3'])
    expect((await readOffers(fresh.db, span, 'reason', own, fresh.today)).map((r) => [r.group, r.lost])).toEqual([
      ['Too dear', 1],
    ])
    const [cost] = await readSaleCosts(fresh.db, span, own, { limit: 10 })
    // offered and agreed 2,165.00; one billed 1,082.50, net 1,000.00; thought to cost 2 × 600.00, cost 600.00 so far
    expect(
      [cost!.offered, cost!.agreed, cost!.billed, cost!.expectedCost, cost!.actualCost].map((m) => m!.minor),
    ).toEqual([216500n, 216500n, 108250n, 120000n, 60000n])
    expect(cost!.margin!.toString()).toBe('40')
  })
})
