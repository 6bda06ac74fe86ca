import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { findOrders } from '@/data/queries/buyingLists'
import { sumOnOrderOf } from '@/data/queries/purchaseOrder'
import { proposalsView } from '@/model/buying/proposals'
import { saleView } from '@/model/sale/saleView'
import { enterBill } from '@/services/buying/enterBill'
import { addSupplier, changeSupplier } from '@/services/buying/keepSupplier'
import { orderForSale } from '@/services/buying/orderForSale'
import { orderProposed } from '@/services/buying/orderProposed'
import { changeOrder, closeOrder, orderGoods, sendOrder } from '@/services/buying/orderGoods'
import { paySupplier } from '@/services/buying/paySupplier'
import { receiveGoods } from '@/services/buying/receiveGoods'
import { addGoods, changeGoods } from '@/services/goods/keepGoods'
import { handOver } from '@/services/sales/handOver'
import { startSale } from '@/services/sales/startSale'
import { addToldGoods } from './history/pieces'
import { openBuying } from './buyingDesk'
import type { TestShop } from './shop'

// Twenty rosin at 6.00 and five violins at 600.00 lie there; today is 1 March.
let s: TestShop
let supplier: number
let desk: Awaited<ReturnType<typeof openBuying>>
beforeEach(async () => {
  desk = await openBuying()
  ;({ s, supplier } = desk)
})
afterEach(() => s.close())

const lineOf = async (saleId: number) => (await saleView(s.db, saleId, await desk.business(), s.shop.today))!.lines[0]!
const sell = async (quantity: string) => {
  const saleId = await s.run(startSale, {
    customerId: s.customer,
    agreed: true,
    deliverTo: '4 Mill Lane',
    lines: [{ goodsId: s.rosin, quantity }],
  })
  return { saleId, lineId: (await lineOf(saleId)).id }
}
describe('bought for a sale', () => {
  test('ordered, received in part, set aside for it, invoiced dearer, paid early; every figure by hand', async () => {
    const { saleId, lineId } = await sell('24')
    // 20 are there: 4 are short.
    const { orders } = await s.answer(orderForSale, { saleId })
    expect(orders).toMatchObject([
      { supplierId: supplier, status: 'draft', lines: [{ ordered: '4', saleLineId: lineId }] },
    ])
    expect((await saleView(s.db, saleId, await desk.business(), s.shop.today))!.purchaseOrders).toMatchObject([
      { number: 'O-2026-0001', supplier: 'Gutwerk Strings', status: 'draft' },
    ])
    expect((await desk.rosin()).onTheWay).toBe('0')
    await s.run(sendOrder, { orderId: orders[0]!.id })
    expect((await desk.rosin()).onTheWay).toBe('4')
    // It is on order: nothing more is short.
    expect(await s.refusal(orderForSale, { saleId })).toBe('nothing-to-order')
    const wish = { purchaseOrderId: orders[0]!.id }
    const came = await s.answer(receiveGoods, { ...wish, lines: [{ lineId: orders[0]!.lines[0]!.id, quantity: '3' }] })
    expect(came).toMatchObject({
      number: 'G-2026-0001',
      lines: [{ goodsId: s.rosin, quantity: '3', unitCost: '6' }],
      setAsideFor: [{ saleId, lineId, quantity: '3' }],
    })
    expect(await desk.balance('received-not-billed')).toBe('-18.00')
    expect(await lineOf(saleId)).toMatchObject({ setAside: '23' })
    // 3 at 7.00 with 8.25 % tax: 21.00, 1.73 (1.7325), 22.73; 3.00 more than they came at, and all three are here.
    const bill = await s.answer(enterBill, {
      supplierId: supplier,
      theirNumber: 'GW-17',
      lines: [{ receivedLineId: came.lines[0]!.id, unitCost: '7.00', taxCode: 'STD' }],
    })
    expect(bill).toMatchObject({
      totals: { net: '21.00', tax: '1.73', gross: '22.73' },
      open: '22.73',
      dues: [{ dueOn: '2026-03-31', amount: '22.73' }],
      discount: { through: '2026-03-11', amount: '0.45' },
      priceDifference: '3.00',
      lines: [{ toStock: '3.00', toCostOfSales: '0.00' }],
    })
    expect(await desk.balance('received-not-billed')).toBe('0.00')
    // 120.00 + 18.00 + 3.00
    expect(await desk.worth(s.rosin)).toBe('141.00')
    // 2 % of 22.73 less: 22.28, of the 0.45 let off 0.42 net and 0.03 tax (0.45 × 1.73 ÷ 22.73 = 0.034).
    const paid = await s.answer(paySupplier, { supplierId: supplier, from: 'bank', amount: '22.28' })
    expect(paid).toMatchObject({ filled: [{ billId: bill.id, amount: '22.28', discount: '0.45' }], ahead: '0.00' })
    expect([
      await desk.balance('payables'),
      await desk.balance('purchase-discounts'),
      await desk.balance('tax-on-purchases'),
    ]).toEqual(['0.00', '-0.42', '1.70'])
    await s.run(closeOrder, { orderId: orders[0]!.id, reason: 'out of print' })
    expect((await desk.rosin()).onTheWay).toBe('0')
    expect(await s.ties()).toEqual([])
  })

  test('what came for one is not given to who waits longer', async () => {
    const first = await sell('22')
    const second = await sell('5')
    await s.answer(orderForSale, { saleId: second.saleId })
    const [bought] = (await s.answer(orderForSale, { saleId: first.saleId })).orders
    expect(bought!.lines).toMatchObject([{ ordered: '2' }])
    const made = await desk.order('5', { lines: [{ goodsId: s.rosin, quantity: '5', saleLineId: second.lineId }] })
    await s.run(receiveGoods, { purchaseOrderId: made.id, lines: [{ lineId: made.lineId, quantity: '5' }] })
    // The older one keeps the 20 that were there, the five are the second's.
    expect((await lineOf(first.saleId)).setAside).toBe('20')
    expect((await lineOf(second.saleId)).setAside).toBe('5')
    await s.run(handOver, { saleId: second.saleId })
    expect((await lineOf(first.saleId)).setAside).toBe('20')
  })

  test('straight to the customer: received and handed over in one step, never in stock', async () => {
    const { saleId } = await sell('24')
    const { orders } = await s.answer(orderForSale, { saleId, direct: true })
    const [line] = orders[0]!.lines
    await s.run(receiveGoods, {
      purchaseOrderId: orders[0]!.id,
      lines: [{ lineId: line!.id, quantity: '4', unitCost: '5.00' }],
    })
    expect(await lineOf(saleId)).toMatchObject({ handedOver: '4', readyToBill: '4' })
    expect((await desk.rosin()).onHand).toBe('20')
    expect(await s.ties()).toEqual([])
  })
})

describe('goods that come', () => {
  test('are no more than were ordered, unless it is said; nor from a closed order', async () => {
    const made = await desk.order('5')
    const take = (quantity: string, more?: boolean) => ({
      purchaseOrderId: made.id,
      lines: [{ lineId: made.lineId, quantity, more }],
    })
    expect(await s.refusal(receiveGoods, take('6'))).toBe('more-than-ordered')
    expect(
      await s.refusal(receiveGoods, {
        purchaseOrderId: made.id,
        lines: [
          { lineId: made.lineId, quantity: '3' },
          { goodsId: s.rosin, quantity: '3' },
        ],
      }),
    ).toBe('more-than-ordered')
    await s.run(receiveGoods, take('6', true))
    const now = await s.answer(changeOrder, { orderId: made.id, note: 'thanks' })
    expect(now).toMatchObject({
      status: 'received',
      note: 'thanks',
      lines: [{ received: '6', toReceive: '0', toBill: '6' }],
    })
    expect(await s.refusal(changeOrder, { orderId: made.id, lines: [{ goodsId: s.rosin, quantity: '2' }] })).toBe(
      'less-than-came',
    )
    await s.run(closeOrder, { orderId: made.id, reason: 'done' })
    expect(await s.refusal(receiveGoods, take('1', true))).toBe('order-closed')
    expect(await s.refusal(sendOrder, { orderId: made.id })).toBe('order-closed')
  })

  test('with lots and serials, each at its own cost, and without an order', async () => {
    const told = await addToldGoods(s)
    const came = await s.answer(receiveGoods, {
      supplierId: supplier,
      lines: [
        { goodsId: told.viola, quantity: '2', serials: ['V1', 'V2'], unitCost: '750.00' },
        { goodsId: told.strings, quantity: '4', lot: { code: 'L1' }, unitCost: '9.00' },
      ],
    })
    expect(came.lines.map((l) => l.quantity)).toEqual(['2', '4'])
    expect([await desk.worth(told.viola), await desk.worth(told.strings)]).toEqual(['1500.00', '36.00'])
    // One of the two is sold: half of what the violas cost more is cost of goods sold.
    const saleId = await s.run(startSale, {
      customerId: s.customer,
      agreed: true,
      lines: [{ goodsId: told.viola, quantity: '1' }],
    })
    await s.run(handOver, { saleId })
    const bill = await s.answer(enterBill, {
      supplierId: supplier,
      theirNumber: 'V',
      lines: [{ receivedLineId: came.lines[0]!.id, amount: '1600.00' }],
    })
    expect(bill.lines).toMatchObject([{ difference: '100.00', toStock: '50.00', toCostOfSales: '50.00' }])
    expect(await desk.worth(told.viola)).toBe('800.00')
    expect(
      await s.refusal(receiveGoods, { supplierId: supplier, lines: [{ goodsId: told.viola, quantity: '1' }] }),
    ).toBe('invalid')
    expect(await s.ties()).toEqual([])
  })
})

test('half a cent of an order is a whole one wherever it is added up, in the database too', async () => {
  // 0.5 at 0.25 is 0.125, and 2.5 at 0.05 as well: 0.13 each, not 0.12 as a number of floating point is rounded.
  const made = await s.answer(orderGoods, {
    supplierId: supplier,
    lines: [
      { goodsId: s.rosin, quantity: '0.5', unitCost: '0.25' },
      { goodsId: s.rosin, quantity: '2.5', unitCost: '0.05' },
    ],
  })
  await s.run(sendOrder, { orderId: made.id })
  const { sums } = await findOrders(s.db, {}, {}, 'USD')
  const onOrder = await sumOnOrderOf(s.db, 'USD')
  expect([made.totals.net, sums.net, onOrder.get(supplier)]).toEqual(['0.26', { minor: 26n, currency: 'USD' }, 26n])
})

describe('what to order', () => {
  const propose = async () => proposalsView(s.db, { today: s.shop.today })

  test('is what sales are short of and what fell to its reorder point, in packs, less what is on order', async () => {
    await s.run(changeGoods, { goodsId: s.rosin, reorderAt: '10' })
    expect(await propose()).toEqual([])
    const { saleId } = await sell('27')
    // 7 are short, and nothing of the 10 that should lie there does: 17, in packs of 6.
    expect(await propose()).toMatchObject([
      { goodsId: s.rosin, supplierId: supplier, quantity: '18', why: 'sale', saleIds: [saleId] },
    ])
    const { orders } = await s.answer(orderProposed, {})
    expect(orders).toMatchObject([
      { supplierId: supplier, status: 'draft', lines: [{ goodsId: s.rosin, ordered: '18' }] },
    ])
    // A draft counts: whoever asks again orders nothing twice. Closed, it is wanted anew.
    expect(await propose()).toEqual([])
    expect(await s.refusal(orderProposed, {})).toBe('nothing-to-order')
    await s.run(closeOrder, { orderId: orders[0]!.id, reason: 'Not to be had' })
    expect(await propose()).toMatchObject([{ goodsId: s.rosin, quantity: '18' }])
  })

  test('is one draft a supplier, and none of what nobody sells to us', async () => {
    const other = await s.run(addSupplier, { name: 'Corvo' })
    await s.run(changeGoods, { goodsId: s.violin, suppliers: [{ supplierId: other }], reorderAt: '6' })
    const glue = await s.run(addGoods, { code: 'GL', name: 'Glue', kind: 'stock', price: '9.00', reorderAt: '4' })
    await sell('22')
    const { orders } = await s.answer(orderProposed, {})
    // Of the violins five lie there and six should; two rosin are short, in packs of 6.
    expect(orders.flatMap((o) => o.lines.map((l) => [o.supplierId, l.goodsId, l.ordered]))).toEqual([
      [supplier, s.rosin, '6'],
      [other, s.violin, '1'],
    ])
    const left = await propose()
    expect(left).toMatchObject([{ goodsId: glue, supplierId: null, quantity: '4' }])
  })
})

describe('a supplier', () => {
  test('is kept with terms and bank; an IBAN whose digits do not fit is refused', async () => {
    const bank = { name: 'First', iban: 'DE89 3704 0044 0532 0130 00', bic: 'COBADEFF' }
    expect(await s.answer(changeSupplier, { supplierId: supplier, bank, phone: '555' })).toMatchObject({
      name: 'Gutwerk Strings',
      phone: '555',
      bank: { iban: 'DE89370400440532013000' },
      terms: { net: 30, discountPercent: '2', discountDays: 10 },
    })
    expect(await s.refusal(changeSupplier, { supplierId: supplier, bank: { iban: 'DE89370400440532013001' } })).toBe(
      'invalid',
    )
    expect(await s.refusal(addSupplier, { name: 'X', terms: { net: 30, discountPercent: '101' } })).toBe('invalid')
  })
})
