import { beforeAll, describe, expect, test } from 'vitest'
import { findBusiness, type Business } from '@/data/queries/business'
import { listPriceLevels, listTaxAreas } from '@/data/queries/prices'
import { sumRole } from '@/data/queries/balances'
import { billSale } from '@/services/billing/billSale'
import { addGoods, changeGoods } from '@/services/goods/keepGoods'
import { addPriceLevel, addTaxArea, changeTaxArea, dropPriceLevel, dropTaxArea } from '@/services/goods/priceLevels'
import { addCustomer, changeCustomer } from '@/services/people/keepCustomer'
import { readPrice } from '@/model/goods/prices'
import { saleView } from '@/model/sale/saleView'
import { agreeSale } from '@/services/sales/agreeSale'
import { copySale } from '@/services/sales/copySale'
import { changeSale } from '@/services/sales/changeSale'
import { startSale } from '@/services/sales/startSale'
import { day } from '@/core/day'
import { customerView } from '@/model/people/customers'
import { sellAtCounter } from '@/services/money/sellAtCounter'
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
    expect(await priceFor(school, '1')).toMatchObject({ price: '11.25', from: 'Schools, 10% off list price' })
    await s.run(changeGoods, {
      goodsId: s.rosin,
      prices: [
        { fromQuantity: '10', price: '11.00' },
        { level: 'SCHOOL', fromQuantity: '20', price: '8.80' },
      ],
    })
    // 11.00 − 10 % = 9.90; from 20 their own 8.80
    expect(await priceFor(school, '10')).toMatchObject({ price: '9.9', from: 'Schools, 10% off from 10' })
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

  test('a kit is made of what lies on a shelf: nothing that was named is left out in silence', async () => {
    const kit = (...parts: number[]) => ({
      code: 'K0',
      name: 'K',
      kind: 'kit',
      price: '1',
      parts: parts.map((goodsId) => ({ goodsId, quantity: '1' })),
    })
    expect(await s.refusal(addGoods, kit(s.violin, s.setUp))).toBe('invalid')
    expect(await s.refusal(addGoods, kit(s.violin, s.violin))).toBe('invalid')
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

  test('another tax code of an area holds for what is written from then on', async () => {
    const [area] = await listTaxAreas(s.db)
    const customerId = await s.run(addCustomer, {
      name: 'Further Away',
      addresses: [{ kind: 'deliver-to', text: '9 Far Road', taxArea: 'OUT' }],
    })
    const sale = () => s.answer(startSale, { customerId, lines: [{ goodsId: s.violin, quantity: '1' }] })
    const before = await sale()
    expect(before.lines[0]!.taxCode).toBe('ZERO')
    expect(await s.refusal(changeTaxArea, { areaId: area!.id, taxCode: 'NONE' })).toBe('invalid')
    expect(await s.answer(changeTaxArea, { areaId: area!.id, taxCode: 'STD' })).toEqual({
      id: area!.id,
      code: 'OUT',
      name: 'Out of state',
      taxCode: 'STD',
    })
    expect((await sale()).lines[0]!.taxCode).toBe('STD')
    expect((await view(before.id)).lines[0]!.taxCode).toBe('ZERO')
    await s.run(changeTaxArea, { areaId: area!.id, taxCode: 'ZERO' })
    expect(await s.refusal(dropTaxArea, { areaId: area!.id })).toBe('invalid')
  })

  test('a list or an area that was a mistake goes while nobody has it', async () => {
    const levelId = await s.run(addPriceLevel, { code: 'SLIP', name: 'Slip' })
    const whose = await s.run(addCustomer, { name: 'Of the slip', priceLevel: 'slip' })
    expect(await s.refusal(dropPriceLevel, { levelId })).toBe('invalid')
    await s.run(changeCustomer, { customerId: whose, priceLevel: '' })
    await s.run(dropPriceLevel, { levelId })
    expect((await listPriceLevels(s.db)).map((l) => l.code)).not.toContain('SLIP')
    const areaId = await s.run(addTaxArea, { code: 'SLIP', name: 'Slip', taxCode: 'ZERO' })
    await s.run(dropTaxArea, { areaId })
    expect(await s.refusal(dropTaxArea, { areaId })).toBe('not-found')
  })

  test('a charge typed on an invoice is taxed where the sale is delivered, and is income of charges', async () => {
    const two = await s.run(addCustomer, {
      name: 'Two Doors',
      addresses: [
        { kind: 'deliver-to', text: '2 Far Road', taxArea: 'OUT', isDefault: true },
        { kind: 'deliver-to', text: '3 Near Road' },
      ],
    })
    const incomeOfCharges = async () => (await sumRole(s.db, 'charges', s.today, 'USD')).minor
    const before = await incomeOfCharges()
    const sale = await s.answer(startSale, {
      customerId: two,
      deliverTo: '3 Near Road',
      agreed: true,
      lines: [{ description: 'Bow rehaired', quantity: '1', unitPrice: '70.00' }],
    })
    const bill = await s.answer(billSale, {
      saleId: sale.id,
      what: 'remaining',
      charges: [{ description: 'Express', quantity: '1', unitPrice: '12.00' }],
      issue: true,
    })
    // 82.00; 8.25 % of it is 6.765 → 6.77
    expect(bill.totals).toEqual({ net: '82.00', tax: '6.77', gross: '88.77' })
    expect((await incomeOfCharges()) - before).toBe(-1200n)
    expect(await s.ties()).toEqual([])
  })

  test('who takes it along is taxed where they stand, wherever they have things delivered', async () => {
    const far = await s.run(addCustomer, {
      name: 'Far and Here',
      addresses: [{ kind: 'deliver-to', text: '4 Far Road', taxArea: 'OUT' }],
    })
    const lines = [{ goodsId: s.rosin, quantity: '2' }]
    // 25.00; 8.25 % of it is 2.0625
    const sold = await s.answer(sellAtCounter, { customerId: far, lines, method: 'card' })
    expect(sold.totals).toMatchObject({ net: '25.00', tax: '2.06' })
    expect(await saleView(s.db, sold.saleId, business, s.today)).toMatchObject({ deliverTo: '' })
    expect((await s.answer(startSale, { customerId: far, lines })).totals.tax).toBe('0.00')
    const price = (inStore: boolean) =>
      readPrice(s.db, { goodsId: s.rosin, quantity: decimal(1), customerId: far, inStore }, business, s.today)
    expect(await price(true)).toMatchObject({ taxCode: 'STD', ownTaxCode: 'STD' })
    expect(await price(false)).toMatchObject({ taxCode: 'ZERO', ownTaxCode: 'STD' })
  })

  test('a copy is taxed by how its customer stands that day', async () => {
    const customerId = await s.run(addCustomer, {
      name: 'Was Exempt',
      taxExempt: true,
      exemptNumber: 'EX-1',
      exemptUntil: '2026-02-28',
    })
    const old = await s.answer(startSale, {
      customerId,
      on: '2026-02-20',
      lines: [
        { description: 'Rehair', quantity: '1', unitPrice: '80.00' },
        { description: 'Abroad', quantity: '1', unitPrice: '20.00', taxCode: 'ZERO' },
      ],
    })
    expect(old.totals.tax).toBe('0.00')
    const copied = await s.answer(copySale, { saleId: old.id, on: '2026-03-02' })
    // Their exemption ended; nothing says that what was sold untaxed by it is exempt itself.
    expect(copied.lines.map((l) => l.taxCode)).toEqual(['STD', 'STD'])
    const exemptOn = async (on: string) => (await customerView(s.db, customerId, business, day(on)))!.exempt
    expect([await exemptOn('2026-02-28'), await exemptOn('2026-03-01')]).toEqual([true, false])
  })
})

describe('Discount on total', () => {
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
