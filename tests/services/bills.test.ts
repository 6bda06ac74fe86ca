import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { listAccounts } from '@/data/queries/accounts'
import { toDecimalString } from '@/core/money'
import { readNotInvoiced } from '@/model/buying/notInvoiced'
import { readBillPage } from '@/model/buying/pages'
import { payablesView, readDueSoon } from '@/model/buying/payables'
import { readSupplierPage } from '@/model/buying/supplierPage'
import { enterBill } from '@/services/buying/enterBill'
import { paySupplier, voidSupplierPayment } from '@/services/buying/paySupplier'
import { receiveGoods } from '@/services/buying/receiveGoods'
import { voidBill } from '@/services/buying/voidBill'
import { openBuying } from './buyingDesk'
import type { TestShop } from './shop'

// Twenty rosin at 6.00 and five violins at 600.00 lie there; today is 1 March.
let s: TestShop
let supplier: number
let desk: Awaited<ReturnType<typeof openBuying>>
const where = async () => ({ ...(await desk.asked()), currency: 'USD' })
beforeEach(async () => {
  desk = await openBuying()
  ;({ s, supplier } = desk)
})
afterEach(() => s.close())

describe('an invoice', () => {
  test('before its goods came: they come at its price, and nothing is left between', async () => {
    const made = await desk.order('4')
    const bill = await s.answer(enterBill, {
      supplierId: supplier,
      theirNumber: 'A',
      lines: [{ purchaseOrderLineId: made.lineId, quantity: '3', amount: '20.00' }],
    })
    expect(bill.priceDifference).toBe('0.00')
    expect(await desk.balance('received-not-billed')).toBe('20.00')
    expect(await s.ties()).toEqual([])
    const came = await s.answer(receiveGoods, {
      purchaseOrderId: made.id,
      lines: [{ lineId: made.lineId, quantity: '4' }],
    })
    // 20.00 for the three, 6.00 for the fourth, which is not invoiced yet.
    expect(came.lines).toMatchObject([{ billed: '3', toBill: '1' }])
    expect(await desk.balance('received-not-billed')).toBe('-6.00')
    expect(await desk.worth(s.rosin)).toBe('146.00')
    expect(await s.refusal(voidBill, { billId: bill.id, reason: 'x' })).toBe('came-since')
    expect(await s.ties()).toEqual([])
  })

  test('of goods that never came is listed for as long as it counted, on every day before it was void', async () => {
    const made = await desk.order('4')
    const bill = await s.answer(enterBill, {
      supplierId: supplier,
      theirNumber: 'A',
      on: '2026-02-05',
      lines: [{ purchaseOrderLineId: made.lineId, quantity: '3', amount: '20.00' }],
    })
    await s.run(voidBill, { billId: bill.id, on: '2026-02-20', reason: 'entered wrong' })
    const listed = async (on: string) =>
      (await readNotInvoiced(await where(), day(on))).map((r) => [r.quantity.toString(), toDecimalString(r.value)])
    // Nothing is open of it now, and no paper is dated later than those days.
    expect(await listed('2026-03-01')).toEqual([])
    expect(await listed('2026-02-20')).toEqual([])
    expect(await listed('2026-02-19')).toEqual([['-3', '-20.00']])
    expect(await listed('2026-02-05')).toEqual([['-3', '-20.00']])
    expect(await listed('2026-02-04')).toEqual([])
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
    expect(await desk.worth(s.rosin)).toBe('134.00')
    expect(await s.refusal(enterBill, { ...wish, theirNumber: 'GW-1' })).toBe('taken')
    expect(await s.refusal(enterBill, { ...wish, theirNumber: 'GW-2' })).toBe('more-than-came')
    await s.run(voidBill, { billId: bill.id, reason: 'entered wrong' })
    expect(await s.refusal(voidBill, { billId: bill.id, reason: 'x' })).toBe('already-voided')
    expect([
      await desk.worth(s.rosin),
      await desk.balance('payables'),
      await desk.balance('received-not-billed'),
    ]).toEqual(['130.00', '0.00', '-10.00'])
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

describe('two percent for paying within ten days', () => {
  const pages = async (billId: number) => {
    const at = await where()
    const [bill, owed, due] = [
      await readBillPage(at, billId),
      await readSupplierPage(at, supplier),
      await readDueSoon({ ...at, today: day('2026-03-05') }),
    ]
    return [
      bill!.toPay,
      owed!.toPay.amount,
      owed!.toPay.saves && `${owed!.toPay.saves.amount} by ${owed!.toPay.saves.through}`,
      bill!.bill.discount?.amount ?? null,
      due.byCheck.map((b) => b.says),
    ]
  }
  const said = (amount: string) => [`Gutwerk Strings, B-100.00: ${amount}`]

  test('is what paying it takes, on every page that offers to; and may be had again where that payment was void', async () => {
    const bill = await desk.bill('100.00')
    expect(await pages(bill.id)).toEqual(['98.00', '98.00', '2.00 by 2026-03-11', '2.00', said('98.00')])
    const wish = { supplierId: supplier, from: 'drawer' as const, amount: '98.00' }
    const paid = await s.answer(paySupplier, { ...wish, for: [{ billId: bill.id, amount: '98.00' }] })
    expect(paid).toMatchObject({ discount: '2.00', ahead: '0.00' })
    expect(await pages(bill.id)).toEqual(['0.00', '0.00', null, null, []])
    // It went from the bank, not from the drawer.
    await s.run(voidSupplierPayment, { paymentId: paid.id, reason: 'from the bank' })
    expect(await pages(bill.id)).toEqual(['98.00', '98.00', '2.00 by 2026-03-11', '2.00', said('98.00')])
    const again = await s.answer(paySupplier, { ...wish, from: 'bank', for: 'oldest' })
    expect(again).toMatchObject({ filled: [{ amount: '98.00', discount: '2.00' }], ahead: '0.00' })
    expect([await desk.balance('payables'), await desk.balance('purchase-discounts')]).toEqual(['0.00', '-2.00'])
    expect(await s.ties()).toEqual([])
  })
})
