import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { listAccounts } from '@/data/queries/accounts'
import { readBackorders } from '@/model/goods/backorders'
import { readGoodsPage } from '@/model/goods/goodsPage'
import { readOrderPage } from '@/model/buying/pages'
import { readSupplierPage } from '@/model/buying/supplierPage'
import { readDueSoon } from '@/model/buying/payables'
import { creditBill } from '@/services/buying/creditBill'
import { enterBill } from '@/services/buying/enterBill'
import { changeOrder, orderGoods, sendOrder } from '@/services/buying/orderGoods'
import { receiveGoods } from '@/services/buying/receiveGoods'
import { billSale } from '@/services/billing/billSale'
import { startSale } from '@/services/sales/startSale'
import { openBuying } from './buyingDesk'
import type { TestShop } from './shop'

// Twenty rosin lie there, which come from Gutwerk Strings at 6.00; today is 1 March.
let s: TestShop
let supplier: number
let desk: Awaited<ReturnType<typeof openBuying>>
beforeEach(async () => {
  desk = await openBuying()
  ;({ s, supplier } = desk)
})
afterEach(() => s.close())
const where = async () => {
  const business = await desk.business()
  return { db: s.db, business, today: s.shop.today, currency: business.currency }
}

describe('what is on its way', () => {
  test('stands with its day at the goods and at whoever waits for them', async () => {
    await s.run(startSale, { customerId: s.customer, agreed: true, lines: [{ goodsId: s.rosin, quantity: '22' }] })
    expect(await readBackorders(await where())).toMatchObject([{ goodsId: s.rosin, comesOn: null }])
    const made = await desk.order('6', { wantedBy: '2026-03-20' })
    // A draft is not on its way.
    expect((await readGoodsPage(await where(), s.rosin))!.coming).toBeNull()
    await s.run(sendOrder, { orderId: made.id })
    expect((await readGoodsPage(await where(), s.rosin))!.coming).toMatchObject({ on: '2026-03-20' })
    await s.run(changeOrder, { orderId: made.id, confirmedFor: '2026-03-24' })
    const [row] = await readBackorders(await where())
    expect([row!.onOrder.toString(), row!.comesOn]).toEqual(['6', '2026-03-24'])
  })
})

describe('a price that changed', () => {
  test('is told on the next order, with what the thing sells for', async () => {
    const came = await s.answer(receiveGoods, {
      supplierId: supplier,
      lines: [{ goodsId: s.rosin, quantity: '2', unitCost: '6.00' }],
    })
    const lines = [{ receivedLineId: came.lines[0]!.id, unitCost: '6.50' }]
    await s.run(enterBill, { supplierId: supplier, theirNumber: 'B', lines })
    const dearer = (await readOrderPage(await where(), (await desk.order('6')).id))!
    expect([...dearer.priceChanges.values()].map((c) => [c.unitCost.toString(), c.on, c.sellsAt.toString()])).toEqual([
      ['6.5', '2026-03-01', '12.5'],
    ])
    const same = await s.answer(orderGoods, {
      supplierId: supplier,
      lines: [{ goodsId: s.rosin, quantity: '6', unitCost: '6.50' }],
    })
    expect((await readOrderPage(await where(), same.id))!.priceChanges.size).toBe(0)
  })
})

describe('a supplier', () => {
  test('is known by how long they take, what was bought of them in a year and what is on order', async () => {
    // Eight days for the one, three for the other: five and a half, so six.
    for (const [sent, came] of [
      ['2026-02-01', '2026-02-09'],
      ['2026-02-10', '2026-02-13'],
    ] as const) {
      const made = await desk.order('6', { on: sent })
      await s.run(sendOrder, { orderId: made.id, on: sent })
      await s.run(receiveGoods, {
        purchaseOrderId: made.id,
        on: came,
        lines: [{ lineId: made.lineId, quantity: '6' }],
      })
    }
    const coming = await desk.order('12')
    await s.run(sendOrder, { orderId: coming.id })
    const bill = await s.answer(enterBill, {
      supplierId: supplier,
      theirNumber: 'B',
      lines: [{ purchaseOrderLineId: coming.lineId, quantity: '10' }],
    })
    await s.run(creditBill, { billId: bill.id, amount: '10.00', reason: 'x' })
    const { facts } = (await readSupplierPage(await where(), supplier))!
    expect(facts.delivers).toEqual({ days: 6, orders: 2 })
    expect([facts.bought.minor, facts.onOrder.minor]).toEqual([5000n, 7200n])
  })

  test('says at how many more should be ordered, once something sells', async () => {
    expect((await readGoodsPage(await where(), s.rosin))!.reorder).toBeUndefined()
    await desk.giveRosin('13')
    // 13 in 182 days, for 14 days to come and 7 to spare: 1.5, so 2.
    expect((await readGoodsPage(await where(), s.rosin))!.reorder).toBe(
      '2 would do: 13 sold in half a year, 14 days to come',
    )
  })

  test('what is to be paid within a week stands beside what falls due to us', async () => {
    const rent = (await listAccounts(s.db)).find((a) => a.code === '6000')!
    await s.run(enterBill, {
      supplierId: supplier,
      theirNumber: 'B',
      due: '2026-03-08',
      lines: [
        {
          accountId: rent.id,
          amount: '70.00',
        },
      ],
    })
    const saleId = await s.run(startSale, {
      customerId: s.customer,
      agreed: true,
      arrangement: { kind: 'now' },
      lines: [{ description: 'Setup', quantity: '1', unitPrice: '100.00' }],
    })
    await s.run(billSale, { saleId, what: 'remaining', issue: true })
    // It is owed whole; paid today, 2 % of it are let off.
    expect(await readDueSoon(await where())).toMatchObject({
      goesOut: '70.00',
      byCheck: [{ says: expect.stringMatching(/: 68\.60$/) }],
    })
    expect((await readDueSoon(await where())).comesIn).toBe('108.25')
  })
})
