import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { toDecimalString } from '@/core/money'
import { findBusiness } from '@/data/queries/business'
import { sumAccounts } from '@/data/queries/balances'
import { listAccounts } from '@/data/queries/accounts'
import { inDebit } from '@/model/books/ties'
import { payablesView } from '@/model/buying/payables'
import { readProposals } from '@/model/buying/proposals'
import { goodsView } from '@/model/goods/goods'
import { goodsStockView } from '@/model/goods/stockViews'
import { saleView } from '@/model/sale/saleView'
import { enterBill } from '@/services/buying/enterBill'
import { addSupplier, changeSupplier } from '@/services/buying/keepSupplier'
import { orderForSale } from '@/services/buying/orderForSale'
import { changeOrder, closeOrder, orderGoods, sendOrder } from '@/services/buying/orderGoods'
import { paySupplier, voidSupplierPayment } from '@/services/buying/paySupplier'
import { receiveGoods } from '@/services/buying/receiveGoods'
import { voidBill } from '@/services/buying/voidBill'
import { changeGoods } from '@/services/goods/keepGoods'
import { handOver } from '@/services/sales/handOver'
import { startSale } from '@/services/sales/startSale'
import { addToldGoods } from './history/pieces'
import { openTestShop, type TestShop } from './shop'

// Twenty rosin at 6.00 and five violins at 600.00 lie there; today is 1 March.
let s: TestShop
let supplier: number
beforeEach(async () => {
  s = await openTestShop()
  supplier = await s.run(addSupplier, {
    name: 'Gutwerk Strings',
    terms: { net: 30, discountPercent: '2', discountDays: 10 },
  })
  await s.run(changeGoods, { goodsId: s.rosin, suppliers: [{ supplierId: supplier, packSize: '6', unitCost: '6.00' }] })
})
afterEach(() => s.close())

const business = async () => (await findBusiness(s.db))!
const rosin = async () => (await goodsView(s.db, s.rosin, await business(), s.shop.today))!
const worth = async (goodsId: number) =>
  (await goodsStockView(s.db, goodsId, s.shop.today, { business: await business(), today: s.shop.today }))!.value
/** What stands on an account, in debit. */
const balance = async (role: string) => {
  const account = (await listAccounts(s.db)).find((a) => a.role === role)!
  return toDecimalString(inDebit(await sumAccounts(s.db, { to: s.shop.today }, 'USD'), account.id, 'USD'))
}
const lineOf = async (saleId: number) => (await saleView(s.db, saleId, await business(), s.shop.today))!.lines[0]!
const sell = async (quantity: string) => {
  const saleId = await s.run(startSale, {
    customerId: s.customer,
    agreed: true,
    deliverTo: '4 Mill Lane',
    lines: [{ goodsId: s.rosin, quantity }],
  })
  return { saleId, lineId: (await lineOf(saleId)).id }
}
const order = async (quantity: string, more: object = {}) => {
  const made = await s.answer(orderGoods, { supplierId: supplier, lines: [{ goodsId: s.rosin, quantity }], ...more })
  return { ...made, lineId: made.lines[0]!.id }
}

describe('bought for a sale', () => {
  test('ordered, received in part, set aside for it, invoiced dearer, paid early; every figure by hand', async () => {
    const { saleId, lineId } = await sell('24')
    // 20 are there: 4 are short.
    const { orders } = await s.answer(orderForSale, { saleId })
    expect(orders).toMatchObject([
      { supplierId: supplier, status: 'draft', lines: [{ ordered: '4', saleLineId: lineId }] },
    ])
    expect((await rosin()).onTheWay).toBe('0')
    await s.run(sendOrder, { orderId: orders[0]!.id })
    expect((await rosin()).onTheWay).toBe('4')
    // It is on order: nothing more is short.
    expect(await s.refusal(orderForSale, { saleId })).toBe('nothing-to-order')
    const wish = { purchaseOrderId: orders[0]!.id }
    const came = await s.answer(receiveGoods, { ...wish, lines: [{ lineId: orders[0]!.lines[0]!.id, quantity: '3' }] })
    expect(came).toMatchObject({
      number: 'G-2026-0001',
      lines: [{ goodsId: s.rosin, quantity: '3', unitCost: '6' }],
      setAsideFor: [{ saleId, lineId, quantity: '3' }],
    })
    expect(await balance('received-not-billed')).toBe('-18.00')
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
    expect(await balance('received-not-billed')).toBe('0.00')
    // 120.00 + 18.00 + 3.00
    expect(await worth(s.rosin)).toBe('141.00')
    // 2 % of 22.73 less: 22.28, of the 0.45 let off 0.42 net and 0.03 tax (0.45 × 1.73 ÷ 22.73 = 0.034).
    const paid = await s.answer(paySupplier, { supplierId: supplier, from: 'bank', amount: '22.28' })
    expect(paid).toMatchObject({ filled: [{ billId: bill.id, amount: '22.28', discount: '0.45' }], ahead: '0.00' })
    expect([await balance('payables'), await balance('purchase-discounts'), await balance('tax-on-purchases')]).toEqual(
      ['0.00', '-0.42', '1.70'],
    )
    await s.run(closeOrder, { orderId: orders[0]!.id, reason: 'out of print' })
    expect((await rosin()).onTheWay).toBe('0')
    expect(await s.ties()).toEqual([])
  })

  test('what came for one is not given to who waits longer', async () => {
    const first = await sell('22')
    const second = await sell('5')
    await s.answer(orderForSale, { saleId: second.saleId })
    const [bought] = (await s.answer(orderForSale, { saleId: first.saleId })).orders
    expect(bought!.lines).toMatchObject([{ ordered: '2' }])
    const made = await order('5', { lines: [{ goodsId: s.rosin, quantity: '5', saleLineId: second.lineId }] })
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
    expect((await rosin()).onHand).toBe('20')
    expect(await s.ties()).toEqual([])
  })
})

describe('goods that come', () => {
  test('are no more than were ordered, unless it is said; nor from a closed order', async () => {
    const made = await order('5')
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
    expect([await worth(told.viola), await worth(told.strings)]).toEqual(['1500.00', '36.00'])
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
    expect(await worth(told.viola)).toBe('800.00')
    expect(
      await s.refusal(receiveGoods, { supplierId: supplier, lines: [{ goodsId: told.viola, quantity: '1' }] }),
    ).toBe('invalid')
    expect(await s.ties()).toEqual([])
  })
})

describe('an invoice', () => {
  test('before its goods came: they come at its price, and nothing is left between', async () => {
    const made = await order('4')
    const bill = await s.answer(enterBill, {
      supplierId: supplier,
      theirNumber: 'A',
      lines: [{ purchaseOrderLineId: made.lineId, quantity: '3', amount: '20.00' }],
    })
    expect(bill.priceDifference).toBe('0.00')
    expect(await balance('received-not-billed')).toBe('20.00')
    expect(await s.ties()).toEqual([])
    const came = await s.answer(receiveGoods, {
      purchaseOrderId: made.id,
      lines: [{ lineId: made.lineId, quantity: '4' }],
    })
    // 20.00 for the three, 6.00 for the fourth, which is not invoiced yet.
    expect(came.lines).toMatchObject([{ billed: '3', toBill: '1' }])
    expect(await balance('received-not-billed')).toBe('-6.00')
    expect(await worth(s.rosin)).toBe('146.00')
    expect(await s.refusal(voidBill, { billId: bill.id, reason: 'x' })).toBe('came-since')
    expect(await s.ties()).toEqual([])
  })

  test('counts once, by their number; void, it may be entered again', async () => {
    const came = await s.answer(receiveGoods, {
      supplierId: supplier,
      lines: [{ goodsId: s.rosin, quantity: '2', unitCost: '5.00' }],
    })
    const wish = {
      supplierId: supplier,
      theirNumber: 'gw-1',
      lines: [{ receivedLineId: came.lines[0]!.id, amount: '14.00' }],
    }
    const bill = await s.answer(enterBill, wish)
    expect(await worth(s.rosin)).toBe('134.00')
    expect(await s.refusal(enterBill, { ...wish, theirNumber: 'GW-1' })).toBe('taken')
    expect(await s.refusal(enterBill, { ...wish, theirNumber: 'GW-2' })).toBe('more-than-came')
    await s.run(voidBill, { billId: bill.id, reason: 'entered wrong' })
    expect(await s.refusal(voidBill, { billId: bill.id, reason: 'x' })).toBe('already-voided')
    expect([await worth(s.rosin), await balance('payables'), await balance('received-not-billed')]).toEqual([
      '130.00',
      '0.00',
      '-10.00',
    ])
    await s.run(enterBill, wish)
    expect(await s.ties()).toEqual([])
  })

  test('for rent goes to its account, and never to one that documents keep', async () => {
    const accounts = await listAccounts(s.db)
    const id = (code: string) => accounts.find((a) => a.code === code)!.id
    const wish = (code: string) => ({
      supplierId: supplier,
      theirNumber: 'R',
      due: '2026-03-05',
      lines: [{ accountId: id(code), amount: '900.00', description: 'March' }],
    })
    for (const code of ['1200', '2000', '2010', '1310']) expect(await s.refusal(enterBill, wish(code))).toBe('invalid')
    expect(await s.answer(enterBill, wish('6000'))).toMatchObject({ open: '900.00', dues: [{ dueOn: '2026-03-05' }] })
    expect(await s.ties()).toEqual([])
  })

  test.each([
    ['nothing named', { lines: [{ amount: '1' }] }],
    ['two things named', { lines: [{ accountId: 1, receivedLineId: 1, amount: '1' }] }],
    ['an account without an amount', { lines: [{ accountId: 1 }] }],
    ['an unknown tax code', { lines: [{ accountId: 40, amount: '1', taxCode: 'NONE' }] }],
    ['no number', { theirNumber: ' ', lines: [{ accountId: 40, amount: '1' }] }],
    ['what did not come', { lines: [{ receivedLineId: 99 }] }],
  ])('%s: refused', async (_, wish) => {
    expect(await s.refusal(enterBill, { supplierId: supplier, theirNumber: 'X', ...wish })).toBe('invalid')
  })
})

describe('payments', () => {
  const rent = async (theirNumber: string, amount: string, on: string) => {
    const account = (await listAccounts(s.db)).find((a) => a.code === '6000')!.id
    return s.answer(enterBill, { supplierId: supplier, theirNumber, on, lines: [{ accountId: account, amount }] })
  }
  const open = async (asOf: string) => (await payablesView(s.db, { asOf: day(asOf) }, 'USD')).totals

  test('pay the oldest first; what is left is paid in advance and used for the next invoice', async () => {
    const old = await rent('1', '100.00', '2026-01-05')
    const late = await rent('2', '50.00', '2026-01-20')
    const paid = await s.answer(paySupplier, {
      supplierId: supplier,
      from: 'drawer',
      amount: '180.00',
      on: '2026-02-20',
    })
    expect(paid).toMatchObject({
      filled: [
        { billId: old.id, amount: '100.00' },
        { billId: late.id, amount: '50.00' },
      ],
      ahead: '30.00',
    })
    const next = await rent('3', '40.00', '2026-02-25')
    expect(next).toMatchObject({ open: '10.00', paid: [{ kind: 'ahead', amount: '30.00' }] })
    expect((await open('2026-02-19')).total).toBe('150.00')
    // On 10 February 100.00 is due since the 4th, 50.00 is due on the 19th.
    expect(await open('2026-02-10')).toMatchObject({ notDue: '50.00', d1to30: '100.00' })
    expect((await open('2026-02-28')).total).toBe('10.00')
    // The advance is used: this payment cannot be taken back before that invoice is.
    expect(await s.refusal(voidSupplierPayment, { paymentId: paid.id, reason: 'x' })).toBe('advance-was-used')
    await s.run(voidBill, { billId: next.id, reason: 'x', on: '2026-02-28' })
    await s.run(voidSupplierPayment, { paymentId: paid.id, reason: 'bounced' })
    expect((await open('2026-03-01')).total).toBe('150.00')
    expect((await open('2026-02-26')).total).toBe('10.00')
    expect(await s.ties()).toEqual([])
  })

  test('are dated back only as far as nothing later is overfilled', async () => {
    const bill = await rent('1', '100.00', '2026-02-01')
    const pay = (on: string, amount: string, more: object = {}) => ({
      supplierId: supplier,
      from: 'bank' as const,
      on,
      amount,
      for: [{ billId: bill.id, amount }],
      ...more,
    })
    await s.run(paySupplier, pay('2026-02-20', '60.00'))
    expect(await s.refusal(paySupplier, pay('2026-02-15', '50.00'))).toBe('bill-not-open')
    expect(await s.refusal(paySupplier, pay('2026-01-15', '40.00'))).toBe('invalid')
    expect(await s.refusal(paySupplier, pay('2026-02-15', '40.00', { amount: '30.00' }))).toBe('invalid')
    await s.run(paySupplier, pay('2026-02-15', '40.00'))
    expect(await s.refusal(voidBill, { billId: bill.id, reason: 'x' })).toBe('bill-is-paid')
    expect(await s.ties()).toEqual([])
  })
})

describe('what to order', () => {
  test('is what sales are short of and what fell to its reorder point, in packs, less what is on order', async () => {
    await s.run(changeGoods, { goodsId: s.rosin, reorderAt: '10' })
    const propose = async () => readProposals(s.db, { business: await business(), today: s.shop.today })
    expect(await propose()).toEqual([])
    const { saleId } = await sell('27')
    // 7 are short, and nothing of the 10 that should lie there does: 17, in packs of 6.
    expect(await propose()).toMatchObject([
      { goodsId: s.rosin, supplierId: supplier, quantity: '18', why: 'sale', saleIds: [saleId] },
    ])
    const made = await order('18')
    await s.run(sendOrder, { orderId: made.id })
    expect(await propose()).toEqual([])
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
