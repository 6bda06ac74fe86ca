import { beforeAll, describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { toDecimalString } from '@/core/money'
import { readTrialBalance } from '@/model/books/books'
import { findBusiness } from '@/data/queries/business'
import { billSale } from '@/services/billing/billSale'
import { creditInvoice } from '@/services/billing/creditInvoice'
import { issueInvoice } from '@/services/billing/draftWork'
import { sellAtCounter } from '@/services/money/sellAtCounter'
import { takeReceipt } from '@/services/money/takeReceipt'
import { refundHeld } from '@/services/money/refundHeld'
import { useHeld } from '@/services/money/useHeld'
import { agreeSale } from '@/services/sales/agreeSale'
import { handOver } from '@/services/sales/handOver'
import { offerSale } from '@/services/sales/offerSale'
import { requestDeposit } from '@/services/sales/requestDeposit'
import { startSale } from '@/services/sales/startSale'
import { goodsView } from '@/model/goods/goods'
import { saleView } from '@/model/sale/saleView'
import { openTestShop, type TestShop } from './shop'
import { owedView } from '@/model/receivables/owed'

let s: TestShop
beforeAll(async () => {
  s = await openTestShop()
})

const balances = async (asOf = '2199-01-01') => {
  const t = await readTrialBalance(s.db, day(asOf), 'USD')
  return Object.fromEntries(
    t.rows.map((r) => [r.code, toDecimalString({ minor: r.debit.minor - r.credit.minor, currency: 'USD' })]),
  )
}
const view = async (saleId: number) => (await saleView(s.db, saleId, (await findBusiness(s.db))!, s.today))!

describe('the main job, by hand-computed figures', () => {
  test('estimate, part handover, part bill, part receipt', async () => {
    // 2 violins at 1,000.00 less 10 % and 3 rosin at 12.50: 1,800.00 + 37.50 = 1,837.50; tax 8.25 % = 151.59375 → 151.59
    const sale = await s.answer(startSale, {
      customerId: s.customer,
      lines: [
        { goodsId: s.violin, quantity: '2', discountPercent: '10' },
        { goodsId: s.rosin, quantity: '3' },
      ],
    })
    expect(sale).toMatchObject({
      stands: 'draft',
      totals: { net: '1837.50', tax: '151.59', gross: '1989.09' },
    })
    expect((await s.answer(offerSale, { saleId: sale.id, validUntil: '2026-03-31' })).stands).toBe('offered')
    const agreed = await s.answer(agreeSale, { saleId: sale.id, purchaseOrder: 'HG-88' })
    expect(agreed).toMatchObject({ stands: 'agreed', next: [{ action: 'hand-over', quantity: '5' }] })
    expect(await goodsView(s.db, s.violin, (await findBusiness(s.db))!, s.shop.today)).toMatchObject({
      onHand: '5',
      setAside: '2',
      available: '3',
    })

    s.moveTo('2026-03-31')
    const [violins, rosin] = agreed.lines
    const handed = await s.answer(handOver, {
      saleId: sale.id,
      on: '2026-03-02',
      lines: [
        { lineId: violins!.id, quantity: '1' },
        { lineId: rosin!.id, quantity: '3' },
      ],
    })
    // One violin that had cost 600.00, and what is left of the line.
    expect(handed.lines[0]).toMatchObject({ lineId: violins!.id, quantity: '1', cost: '600.00' })
    expect((await view(sale.id)).lines[0]).toMatchObject({ handedOver: '1', toHandOver: '1', readyToBill: '1' })

    const invoice = await s.answer(billSale, {
      saleId: sale.id,
      on: '2026-03-03',
      what: 'handed-over',
      issue: true,
    })
    // half of the violins 900.00 + 37.50 = 937.50; tax 77.34375 → 77.34
    expect(invoice).toMatchObject({
      number: '2026-0001',
      totals: { net: '937.50', tax: '77.34', gross: '1014.84' },
      open: '1014.84',
      dues: [{ due: '2026-04-02', amount: '1014.84' }],
    })
    const receipt = await s.answer(takeReceipt, {
      customerId: s.customer,
      on: '2026-03-04',
      method: 'transfer',
      amount: '500.00',
    })
    expect(receipt).toMatchObject({
      number: 'R-2026-0001',
      filled: [{ amount: '500.00' }],
      onAccount: '0.00',
    })

    // cost of a violin 600.00 and three rosin 18.00
    expect(await balances()).toMatchObject({
      1020: '500.00',
      1100: '514.84',
      1200: '2502.00',
      2201: '-77.34',
      4000: '-937.50',
      5000: '618.00',
    })
    const owed = await owedView(s.db, { asOf: day('2026-05-05'), by: 'due' }, (await findBusiness(s.db))!)
    // due 2 April, looked at on 5 May: 33 days late
    expect(owed).toMatchObject({
      totals: { d31to60: '514.84', total: '514.84' },
      controlAccount: '514.84',
      difference: '0.00',
    })

    await s.run(handOver, { saleId: sale.id, on: '2026-03-05' })
    const rest = await s.answer(billSale, {
      saleId: sale.id,
      on: '2026-03-05',
      what: 'remaining',
      issue: true,
    })
    // what is left of the whole: 1,837.50 − 937.50 and 151.59 − 77.34
    expect(rest.totals).toEqual({ net: '900.00', tax: '74.25', gross: '974.25' })
    await s.run(takeReceipt, { customerId: s.customer, on: '2026-03-06', method: 'cash', amount: '1489.09' })
    expect(await view(sale.id)).toMatchObject({
      stands: 'settled',
      money: { received: '1989.09', open: '0.00', notBilled: '0.00' },
      next: [],
    })
    expect(await s.ties()).toEqual([])
    s.moveTo('2026-03-01')
  })

  test('a deposit of 100 % with tax leaves a bill of exactly zero', async () => {
    const sale = await s.answer(startSale, {
      customerId: s.customer,
      lines: [{ description: 'Viola, made to order', quantity: '1', unitPrice: '2880.00' }],
      arrangement: { kind: 'deposit', percent: '100' },
    })
    await s.run(agreeSale, { saleId: sale.id })
    const asked = await s.answer(requestDeposit, { saleId: sale.id, percent: '100' })
    // 2,880.00 + 8.25 % 237.60
    expect(asked.amount).toBe('3117.60')
    await s.run(takeReceipt, { customerId: s.customer, method: 'transfer', amount: '3117.60' })
    expect((await view(sale.id)).money).toMatchObject({ held: '3117.60', open: '0.00' })
    expect(await balances()).toMatchObject({ 2100: '-3117.60' })
    await s.run(handOver, { saleId: sale.id })
    const invoice = await s.answer(billSale, { saleId: sale.id, what: 'remaining', issue: true })
    expect(invoice).toMatchObject({ heldApplied: '3117.60', open: '0.00' })
    expect((await balances())[2100]).toBeUndefined()
    expect((await view(sale.id)).stands).toBe('settled')
    expect(await s.ties()).toEqual([])
  })

  test('a deposit of 40 % goes on three part bills in proportion', async () => {
    // 3 × 1,000.00 + 8.25 % = 3,247.50; 40 % = 1,299.00; each third of the bill takes 433.00
    const sale = await s.answer(startSale, {
      customerId: s.customer,
      lines: [{ description: 'Lessons', quantity: '3', unitPrice: '1000.00' }],
      arrangement: { kind: 'deposit', percent: '40', apply: 'in-proportion' },
    })
    const agreed = await s.answer(agreeSale, { saleId: sale.id })
    await s.run(takeReceipt, {
      customerId: s.customer,
      method: 'card',
      amount: '1299.00',
      for: [{ saleId: sale.id, amount: '1299.00' }],
    })
    for (let n = 0; n < 3; n++) {
      const bill = await s.answer(billSale, {
        saleId: sale.id,
        what: { lines: [{ lineId: agreed.lines[0]!.id, quantity: '1' }] },
        issue: true,
      })
      expect(bill).toMatchObject({ totals: { gross: '1082.50' }, heldApplied: '433.00', open: '649.50' })
    }
    expect(await s.ties()).toEqual([])
  })

  test('billing before handover waits as a liability until the goods go', async () => {
    const before = (await balances())['4000']
    const sale = await s.answer(startSale, {
      customerId: s.customer,
      lines: [{ goodsId: s.rosin, quantity: '4' }],
    })
    await s.run(agreeSale, { saleId: sale.id })
    await s.run(billSale, { saleId: sale.id, what: 'remaining', issue: true })
    expect((await balances())['2150']).toBe('-50.00')
    expect((await balances())['4000']).toBe(before)
    await s.run(handOver, { saleId: sale.id, lines: [{ lineId: sale.lines[0]!.id, quantity: '1' }] })
    expect((await balances())['2150']).toBe('-37.50')
    await s.run(handOver, { saleId: sale.id })
    expect((await balances())['2150']).toBeUndefined()
    expect(await s.ties()).toEqual([])
  })

  test('a counter sale is invoice, receipt and handover in one, with change', async () => {
    const receivables = (await balances())['1100']
    // 2 × 12.50 = 25.00 + 2.0625 → 2.06
    const sold = await s.answer(sellAtCounter, {
      lines: [{ goodsId: s.rosin, quantity: '2' }],
      method: 'cash',
      tendered: '30.00',
    })
    expect(sold).toMatchObject({ totals: { gross: '27.06' }, change: '2.94' })
    expect((await balances())['1100']).toBe(receivables)
    expect((await view(sold.saleId)).stands).toBe('settled')
    expect(
      await s.refusal(sellAtCounter, {
        lines: [{ goodsId: s.rosin, quantity: '2' }],
        method: 'cash',
        tendered: '5.00',
      }),
    ).toBe('tendered-too-little')
  })

  test('a credit of a paid invoice with goods back holds the money and puts the stock back', async () => {
    const sale = await s.answer(startSale, {
      customerId: s.customer,
      lines: [{ goodsId: s.violin, quantity: '2' }],
    })
    await s.run(agreeSale, { saleId: sale.id })
    await s.run(handOver, { saleId: sale.id })
    const invoice = await s.answer(billSale, { saleId: sale.id, what: 'handed-over', issue: true })
    await s.run(takeReceipt, {
      customerId: s.customer,
      method: 'transfer',
      amount: '2165.00',
      for: [{ dueId: invoice.dues[0]!.id, amount: '2165.00' }],
    })
    const stock = Number((await balances())['1200'])
    const note = await s.answer(creditInvoice, {
      invoiceId: invoice.id,
      lines: [{ lineId: sale.lines[0]!.id, quantity: '1' }],
      reason: 'A crack',
      returnGoods: true,
    })
    // half of 2,000.00 + 165.00
    expect(note.totals).toEqual({ net: '1000.00', tax: '82.50', gross: '1082.50' })
    expect(await balances()).toMatchObject({
      2120: '-1082.50',
      4100: '1000.00',
      1200: (stock + 600).toFixed(2),
    })
    await s.run(refundHeld, { customerId: s.customer, amount: '82.50', method: 'cash' })
    expect(await s.refusal(refundHeld, { customerId: s.customer, amount: '1000.01', method: 'cash' })).toBe(
      'more-than-held',
    )
    await s.run(useHeld, { customerId: s.customer })
    expect(await s.ties()).toEqual([])
  })

  test('a draft is free, an issued invoice is fixed and can be billed again after a credit', async () => {
    const sale = await s.answer(startSale, {
      customerId: s.customer,
      lines: [{ goodsId: s.setUp, quantity: '2' }],
    })
    await s.run(agreeSale, { saleId: sale.id })
    const draft = await s.answer(billSale, { saleId: sale.id, what: { percent: '50' } })
    expect(draft).toMatchObject({ number: null, status: 'draft', totals: { net: '72.00' } })
    const issued = await s.answer(issueInvoice, { invoiceId: draft.id })
    expect(issued.number).toMatch(/^2026-/)
    expect(await s.refusal(issueInvoice, { invoiceId: draft.id })).toBe('already-issued')
    await s.run(creditInvoice, { invoiceId: draft.id, reason: 'Wrong hours', billAgain: true })
    const again = await s.answer(billSale, { saleId: sale.id, what: 'remaining', issue: true })
    // all of it again: 144.00 + 11.88
    expect(again.totals.gross).toBe('155.88')
    expect(await s.ties()).toEqual([])
  })
})
