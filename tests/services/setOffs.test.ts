import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { supplierView } from '@/model/buying/suppliers'
import { changeSupplier } from '@/services/buying/keepSupplier'
import { paySupplier, voidSupplierPayment } from '@/services/buying/paySupplier'
import { receiveGoods } from '@/services/buying/receiveGoods'
import { landCost } from '@/services/buying/landCost'
import { takeSupplierRefund, voidSupplierRefund } from '@/services/buying/supplierRefund'
import { voidBill } from '@/services/buying/voidBill'
import { voidLandedCost } from '@/services/buying/voidLandedCost'
import { handOver } from '@/services/sales/handOver'
import { setOff, voidSetOff } from '@/services/buying/setOff'
import { billSale } from '@/services/billing/billSale'
import { voidReceipt } from '@/services/money/voidReceipt'
import { startSale } from '@/services/sales/startSale'
import { openBuying } from './buyingDesk'
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

describe('a set-off', () => {
  /** Hazel, who sells us strings, owes 108.25 for a set-up. */
  const owing = async () => {
    await s.run(changeSupplier, { supplierId: supplier, customerId: s.customer })
    const saleId = await s.run(startSale, {
      customerId: s.customer,
      agreed: true,
      arrangement: { kind: 'terms', net: 30 },
      lines: [{ description: 'Set-up', quantity: '1', unitPrice: '100.00' }],
    })
    await s.run(billSale, { saleId, what: 'remaining', issue: true })
  }

  test('pays as much as both sides have, the oldest first, and moves no money', async () => {
    await owing()
    await bill('50.00', { due: '2026-03-31' })
    await bill('30.00', { due: '2026-03-05' })
    // Nothing was let off: 80.00 less two percent of each for paying within ten days is 78.40.
    const made = await s.answer(setOff, { supplierId: supplier })
    expect(made).toMatchObject({
      number: 'U-2026-0001',
      amount: '78.40',
      receipt: 'R-2026-0001',
      payment: 'E-2026-0001',
    })
    expect(await desk.balance('receivables')).toBe('29.85')
    expect(await desk.balance('payables')).toBe('0.00')
    expect([await desk.balance('set-off'), await desk.balance('bank'), await s.ties()]).toEqual(['0.00', '0.00', []])
    expect(await s.refusal(setOff, { supplierId: supplier })).toBe('nothing-to-set-off')
  })

  test('is taken back on both sides together, never one half alone', async () => {
    await owing()
    await bill('500.00')
    const made = await s.answer(setOff, { supplierId: supplier, amount: '8.25' })
    expect(await desk.balance('receivables')).toBe('100.00')
    expect(await s.refusal(voidReceipt, { receiptId: made.receiptId, reason: 'x' })).toBe('is-set-off')
    expect(await s.refusal(voidSupplierPayment, { paymentId: made.paymentId, reason: 'x' })).toBe('is-set-off')
    const back = await s.answer(voidSetOff, { setOffId: made.id, reason: 'Not agreed' })
    expect(back.voidedOn).toBe('2026-03-01')
    expect([await desk.balance('receivables'), await desk.balance('payables')]).toEqual(['108.25', '-500.00'])
    expect([await desk.balance('set-off'), await s.ties()]).toEqual(['0.00', []])
    expect(await s.refusal(voidSetOff, { setOffId: made.id, reason: 'x' })).toBe('already-voided')
  })

  test('needs the same people on both sides, and no more than either owes', async () => {
    await bill('50.00')
    expect(await s.refusal(setOff, { supplierId: supplier })).toBe('invalid')
    await owing()
    expect(await s.refusal(setOff, { supplierId: supplier, amount: '49.01' })).toBe('invalid')
    expect(await s.refusal(setOff, { supplierId: supplier, on: '2026-02-28' })).toBe('nothing-to-set-off')
    expect(await s.refusal(setOff, { supplierId: supplier, amount: '49.00' })).toBe('not refused')
  })
})

describe('money back from a supplier', () => {
  const ahead = async () => (await supplierView(s.db, supplier, await asked()))!.ahead

  test('takes off what was paid in advance, never more than is left of it on any day', async () => {
    await s.run(paySupplier, { supplierId: supplier, from: 'bank', amount: '80.00', on: '2026-02-10' })
    const back = (amount: string, on?: string) => ({ supplierId: supplier, into: 'drawer' as const, amount, on })
    expect(await s.refusal(takeSupplierRefund, back('10.00', '2026-02-09'))).toBe('invalid')
    const refund = await s.answer(takeSupplierRefund, back('30.00', '2026-02-20'))
    expect(refund).toMatchObject({ number: 'EB-2026-0001', amount: '30.00', account: 'Cash in the drawer' })
    expect([await ahead(), await desk.balance('paid-ahead'), await desk.balance('drawer')]).toEqual([
      '50.00',
      '50.00',
      '30.00',
    ])
    // 80.00 lay there before, but 30.00 of them are given back later.
    expect(await s.refusal(takeSupplierRefund, back('60.00', '2026-02-15'))).toBe('invalid')
    expect(await s.refusal(takeSupplierRefund, back('50.01'))).toBe('invalid')
    // The payment that it came of cannot be void any more.
    expect(await s.refusal(voidSupplierPayment, { paymentId: 1, reason: 'x' })).toBe('advance-was-used')
    const gone = await s.answer(voidSupplierRefund, { refundId: refund.id, reason: 'It never came' })
    expect(gone.voidedOn).toBe('2026-03-01')
    expect([await ahead(), await desk.balance('drawer'), await s.ties()]).toEqual(['80.00', '0.00', []])
    expect(await s.refusal(voidSupplierRefund, { refundId: refund.id, reason: 'x' })).toBe('already-voided')
  })
})

describe('a cost that was spread over goods', () => {
  test('is taken off them again as far as they are here, and may be spread anew', async () => {
    const came = await s.answer(receiveGoods, {
      supplierId: supplier,
      lines: [{ goodsId: s.violin, quantity: '4', unitCost: '500.00' }],
    })
    const freight = await bill('40.00')
    const wish = { billLineId: freight.lines[0]!.id, receivedIds: [came.id], by: 'quantity' as const }
    const cost = await s.answer(landCost, wish)
    expect(cost.shares).toMatchObject([{ toStock: '40.00' }])
    const before = Number(await desk.worth(s.violin))
    expect(await s.refusal(voidBill, { billId: freight.id, reason: 'x' })).toBe('cost-was-spread')
    // Six of nine go: of the four that came last three are here still, and three quarters of the 40.00 come off them.
    const saleId = await s.run(startSale, {
      customerId: s.customer,
      agreed: true,
      lines: [{ goodsId: s.violin, quantity: '6' }],
    })
    await s.run(handOver, { saleId })
    const left = Number(await desk.worth(s.violin))
    const gone = Number(await desk.balance('cost-of-goods-sold'))
    const off = await s.answer(voidLandedCost, { costId: cost.id, reason: 'Another delivery' })
    expect(off).toMatchObject({ voidedOn: '2026-03-01', billId: freight.id })
    expect((left - Number(await desk.worth(s.violin))).toFixed(2)).toBe('30.00')
    expect((gone - Number(await desk.balance('cost-of-goods-sold'))).toFixed(2)).toBe('10.00')
    expect(before).toBeGreaterThan(left)
    expect(await s.ties()).toEqual([])
    expect(await s.refusal(voidLandedCost, { costId: cost.id, reason: 'x' })).toBe('already-voided')
    expect(await s.refusal(landCost, wish)).toBe('not refused')
    expect(await s.refusal(landCost, wish)).toBe('cost-was-spread')
  })
})
