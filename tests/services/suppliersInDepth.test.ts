import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { goodsView } from '@/model/goods/goods'
import { readProposalList } from '@/model/buying/onLists'
import { proposalsView } from '@/model/buying/proposals'
import { supplierView } from '@/model/buying/suppliers'
import { purchaseOrderOf } from '@/documents/purchaseOrder'
import { makeChecks } from '@/documents/makeChecks'
import { remittanceOf } from '@/documents/remittance'
import { addSupplier, changeSupplier } from '@/services/buying/keepSupplier'
import { payRun } from '@/services/buying/payRun'
import { paySupplier, voidSupplierPayment } from '@/services/buying/paySupplier'
import { receiveGoods } from '@/services/buying/receiveGoods'
import { changeGoods } from '@/services/goods/keepGoods'
import { addCustomer } from '@/services/people/keepCustomer'
import { joinCustomers } from '@/services/people/joinCustomers'
import { startSale } from '@/services/sales/startSale'
import { readAboutPaper } from '@/services/post/letterFacts'
import { openBuying } from './buyingDesk'
import { pdfText } from '../pdfText'
import type { TestShop } from './shop'

// Twenty rosin at 6.00 lie there, which come from Gutwerk Strings in packs of six at 6.00; today is 1 March.
let s: TestShop
let supplier: number
let desk: Awaited<ReturnType<typeof openBuying>>
beforeEach(async () => {
  desk = await openBuying()
  ;({ s, supplier } = desk)
})
afterEach(() => s.close())

const asked = () => desk.asked()
const bill = (...of: Parameters<typeof desk.bill>) => desk.bill(...of)

describe('what suppliers ask', () => {
  test('by quantity and day is what an order and goods without one cost', async () => {
    await s.run(changeGoods, {
      goodsId: s.rosin,
      suppliers: [
        {
          supplierId: supplier,
          packSize: '6',
          unitCost: '6.00',
          prices: [
            { fromQuantity: '24', unitCost: '5.40' },
            { fromQuantity: '24', unitCost: '5.00', validFrom: '2026-03-02' },
          ],
        },
      ],
    })
    const costs = async (quantity: string, on: string) => (await desk.order(quantity, { on })).lines[0]!.unitCost
    expect([await costs('23', '2026-03-01'), await costs('24', '2026-03-01')]).toEqual(['6', '5.4'])
    s.moveTo('2026-03-02')
    expect(await costs('24', '2026-03-02')).toBe('5')
    const came = await s.answer(receiveGoods, {
      supplierId: supplier,
      on: '2026-03-01',
      lines: [{ goodsId: s.rosin, quantity: '30' }],
    })
    expect(came.lines).toMatchObject([{ unitCost: '5.4' }])
    expect((await goodsView(s.db, s.rosin, await desk.business(), s.shop.today))!.suppliers).toMatchObject([
      {
        prices: [
          { fromQuantity: '24', unitCost: '5.4', validFrom: null },
          { unitCost: '5', validFrom: '2026-03-02' },
        ],
      },
    ])
  })

  test('decides where what is short is ordered, unless somebody is preferred', async () => {
    const other = await s.run(addSupplier, { name: 'Harzer' })
    const sellers = (preferred: boolean) => [
      { supplierId: supplier, packSize: '6', unitCost: '6.00', preferred },
      { supplierId: other, unitCost: '6.50', prices: [{ fromQuantity: '50', unitCost: '5.00' }] },
    ]
    const proposed = async (sold: string) => {
      await s.run(startSale, { customerId: s.customer, agreed: true, lines: [{ goodsId: s.rosin, quantity: sold }] })
      return (await proposalsView(s.db, await asked()))[0]!
    }
    await s.run(changeGoods, { goodsId: s.rosin, suppliers: sellers(false) })
    // 23 sold, 20 here: 3 short. A pack of six is 36.00, three single ones are 19.50.
    expect(await proposed('23')).toMatchObject({ supplierId: other, chosen: 'cheapest', quantity: '3' })
    const [onList] = await readProposalList({ ...(await asked()), currency: 'USD' })
    expect(onList).toMatchObject({ supplier: 'Harzer', says: 'Short for 1 sale, costs least here' })
    // 50 more: 53 short. Nine packs of six are 54 for 324.00; from fifty on 53 are 265.00.
    expect(await proposed('50')).toMatchObject({ supplierId: other, chosen: 'cheapest', quantity: '53' })
    await s.run(changeGoods, { goodsId: s.rosin, suppliers: sellers(true) })
    expect((await proposalsView(s.db, await asked()))[0]).toMatchObject({
      supplierId: supplier,
      chosen: 'preferred',
      quantity: '54',
    })
  })

  test('is said once: one supplier, one price for a quantity and day', async () => {
    const price = { fromQuantity: '5', unitCost: '1.00' }
    const change = (suppliers: object[]) => s.refusal(changeGoods, { goodsId: s.rosin, suppliers })
    expect(await change([{ supplierId: supplier }, { supplierId: supplier }])).toBe('invalid')
    expect(await change([{ supplierId: supplier, prices: [price, price] }])).toBe('invalid')
    const backwards = { ...price, validFrom: '2026-03-02', validUntil: '2026-03-01' }
    expect(await change([{ supplierId: supplier, prices: [backwards] }])).toBe('invalid')
    expect((await goodsView(s.db, s.rosin, await desk.business(), s.shop.today))!.suppliers).toHaveLength(1)
  })
})

describe('a supplier', () => {
  test('has contacts, and addresses of their own for orders and checks', async () => {
    await s.run(changeSupplier, {
      supplierId: supplier,
      address: 'Main street 1',
      addresses: [
        { use: 'orders', text: 'Order desk 2' },
        { use: 'checks', text: 'Lock box 3' },
      ],
      contacts: [{ name: 'Ida Gut', role: 'Orders', email: 'ida@gut.example' }],
    })
    const view = await supplierView(s.db, supplier, await asked())
    expect(view).toMatchObject({
      addresses: [
        { use: 'checks', text: 'Lock box 3' },
        { use: 'orders', text: 'Order desk 2' },
      ],
      contacts: [{ name: 'Ida Gut', email: 'ida@gut.example' }],
    })
    const letter = await readAboutPaper(
      s.db,
      'purchase-order',
      (await desk.order('12')).id,
      await desk.business(),
      s.shop.today,
    )
    expect(letter).toMatchObject({
      party: { contact: 'Ida Gut', email: 'ida@gut.example' },
      facts: { name: 'Ida Gut' },
    })
    const made = await desk.order('6')
    expect((await purchaseOrderOf(await asked(), made.id))!.to).toEqual({
      name: 'Gutwerk Strings',
      address: 'Order desk 2',
    })
    const paid = await s.run(paySupplier, { supplierId: supplier, from: 'bank', amount: '5.00' })
    expect((await remittanceOf(await asked(), paid))!.to.address).toBe('Lock box 3')
    await s.run(changeSupplier, { supplierId: supplier, addresses: [], contacts: [] })
    expect((await purchaseOrderOf(await asked(), made.id))!.to.address).toBe('Main street 1')
    const twice = [
      { use: 'orders', text: 'A' },
      { use: 'orders', text: 'B' },
    ]
    expect(await s.refusal(changeSupplier, { supplierId: supplier, addresses: twice })).toBe('invalid')
  })

  test('is one customer at most, who stays so when customers are merged', async () => {
    const link = (of: number, customerId: number) => s.refusal(changeSupplier, { supplierId: of, customerId })
    expect(await link(supplier, s.customer)).toBe('not refused')
    const other = await s.run(addSupplier, { name: 'Harzer' })
    expect(await link(other, s.customer)).toBe('invalid')
    expect(await link(other, 9999)).toBe('not-found')
    const kept = await s.run(addCustomer, { name: 'Hazel Adair' })
    await s.run(joinCustomers, { customerId: kept, goneId: s.customer })
    expect((await supplierView(s.db, supplier, await asked()))!.customerId).toBe(kept)
    expect(await link(other, s.customer)).toBe('joined')
  })
})

describe('a check', () => {
  test('has the next number of its account, or the one that is said, once', async () => {
    await bill('100.00')
    const pay = (check: 'next' | number) =>
      s.answer(paySupplier, { supplierId: supplier, from: 'bank', amount: '10.00', check })
    expect((await pay('next')).checkNumber).toBe(1001)
    expect((await pay(2500)).checkNumber).toBe(2500)
    expect((await pay('next')).checkNumber).toBe(2501)
    const wrong = { supplierId: supplier, from: 'bank' as const, amount: '1.00' }
    expect(await s.refusal(paySupplier, { ...wrong, check: 2500 })).toBe('invalid')
    expect(await s.refusal(paySupplier, { ...wrong, check: 0 })).toBe('invalid')
    expect(await s.refusal(paySupplier, { ...wrong, from: 'drawer', check: 'next' })).toBe('invalid')
    // Void, its number is still used up.
    const spoilt = await pay('next')
    await s.run(voidSupplierPayment, { paymentId: spoilt.id, reason: 'Spoilt' })
    expect((await pay('next')).checkNumber).toBe(spoilt.checkNumber! + 1)
    expect(await s.ties()).toEqual([])
  })

  test('pays those without a bank account, and says in words how much and what for', async () => {
    const one = await bill('1234.05')
    const two = await bill('20.00')
    expect(await s.refusal(payRun, { billIds: [one.id] })).toBe('no-own-bank')
    const run = await s.answer(payRun, { billIds: [one.id, two.id], check: 77 })
    // One supplier, one check: 1,254.05 less two percent for paying early (24.68 and 0.40).
    expect(run).toMatchObject({ file: '', payments: [{ amount: '1228.97', checkNumber: 77 }] })
    const printed = await makeChecks(await asked(), [run.payments[0]!.id])
    const text = await pdfText(printed!.body)
    for (const words of [
      'Check 77',
      'Gutwerk Strings',
      '1,228.97 USD',
      'One thousand two hundred twenty-eight and 97/100 dollars',
      'B-1234.05',
      '1,209.37',
    ])
      expect(text).toContain(words)
    expect(text).not.toContain('VOID')
    const plain = await s.run(paySupplier, { supplierId: supplier, from: 'bank', amount: '5.00' })
    expect(await makeChecks(await asked(), [plain])).toBeNull()
  })
})
