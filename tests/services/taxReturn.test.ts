import { beforeAll, afterEach, beforeEach, describe, expect, test } from 'vitest'
import { billSale } from '@/services/billing/billSale'
import { creditInvoice } from '@/services/billing/creditInvoice'
import { draftTaxReturn, dropTaxReturn, fileTaxReturn, payTaxReturn, unpayTaxReturn } from '@/services/books/taxReturn'
import { writeEntry } from '@/services/books/writeEntry'
import { enterBill } from '@/services/buying/enterBill'
import { paySupplier } from '@/services/buying/paySupplier'
import { voidBill } from '@/services/buying/voidBill'
import { sellAtCounter } from '@/services/money/sellAtCounter'
import { takeReceipt } from '@/services/money/takeReceipt'
import { voidReceipt } from '@/services/money/voidReceipt'
import { startSale } from '@/services/sales/startSale'
import { listAccounts } from '@/data/queries/accounts'
import type { TaxReturnView } from '@/model/books/taxReturns'
import { openBuying } from './buyingDesk'
import { manyHands } from './shop'

beforeAll(manyHands)

/** Tax 8.25 % on sales and on what is bought. Today is 20 April. */
let desk: Awaited<ReturnType<typeof openBuying>>
beforeEach(async () => {
  desk = await openBuying()
  desk.s.moveTo('2026-04-20')
})
afterEach(() => desk.s.close())

const invoice = async (on: string, price: string) => {
  const { s } = desk
  const saleId = await s.run(startSale, {
    on,
    agreed: true,
    customerId: s.customer,
    lines: [{ description: 'Repair', quantity: '1', unitPrice: price }],
  })
  return s.answer(billSale, { saleId, what: 'remaining', issue: true, on })
}
const rent = async (on: string, theirNumber: string) =>
  desk.s.answer(enterBill, {
    supplierId: desk.supplier,
    on,
    theirNumber,
    lines: [
      {
        accountId: (await listAccounts(desk.s.db)).find((a) => a.code === '6000')!.id,
        amount: '100.00',
        taxCode: 'STD',
      },
    ],
  })
const draft = (from: string, through: string, basis: 'invoiced' | 'paid' = 'invoiced') =>
  desk.s.answer(draftTaxReturn, { from, through, basis })
const figures = (r: TaxReturnView) => r.rows.map((row) => [row.side, row.code, row.net, row.tax, row.papers.length])
const balance = async (code: string) => {
  const { readTrialBalance } = await import('@/model/books/books')
  const { day } = await import('@/core/day')
  const row = (await readTrialBalance(desk.s.db, day('2026-04-20'), 'USD')).rows.find((r) => r.code === code)
  return (row?.debit.minor ?? 0n) - (row?.credit.minor ?? 0n)
}

describe('a return on invoices', () => {
  test('has tax on sales and purchases, each down to its documents', async () => {
    const one = await invoice('2026-03-05', '200.00')
    await invoice('2026-03-20', '40.00')
    await desk.s.run(creditInvoice, { invoiceId: one.id, amount: '108.25', reason: 'Less', on: '2026-03-25' })
    await rent('2026-03-10', 'R-1')
    const r = await draft('2026-03-01', '2026-03-31')
    // 200.00 + 40.00 less 100.00: net 140.00, tax 16.50 + 3.30 less 8.25.
    expect(figures(r)).toEqual([
      ['sales', 'STD', '140.00', '11.55', 3],
      ['purchases', 'STD', '100.00', '8.25', 1],
    ])
    expect(r.totals).toEqual({ sales: '11.55', purchases: '8.25', due: '3.30' })
    expect(r.rows[0]!.papers[0]).toMatchObject({ on: '2026-03-05', tax: '16.50', href: `/invoices/${one.id}` })
  })

  test('is not stopped by a credit that comes to nothing, and has no entry for it', async () => {
    const one = await invoice('2026-03-05', '0.07')
    const [line] = one.lines
    const credit = await desk.s.answer(creditInvoice, {
      invoiceId: one.id,
      lines: [{ lineId: line!.lineId, quantity: '0.003' }],
      reason: 'Weighed again',
      on: '2026-03-25',
    })
    expect(credit.totals.gross).toBe('0.00')
    // 0.07 at 8.25 %: 0.0058, a cent.
    expect(figures(await draft('2026-03-01', '2026-03-31'))).toEqual([['sales', 'STD', '0.07', '0.01', 1]])
  })

  test('stays as it was filed: what comes to light later falls into the next one', async () => {
    await invoice('2026-03-05', '200.00')
    const march = await draft('2026-03-01', '2026-03-31')
    const filed = await desk.s.answer(fileTaxReturn, { returnId: march.id })
    expect([filed.state, filed.totals.due]).toEqual(['filed', '16.50'])
    // Dated in March, after March was filed.
    await invoice('2026-03-30', '40.00')
    const bill = await rent('2026-03-31', 'R-2')
    await invoice('2026-04-02', '400.00')
    const april = await draft('2026-04-01', '2026-04-20')
    expect(figures(april)).toEqual([
      ['sales', 'STD', '440.00', '36.30', 2],
      ['purchases', 'STD', '100.00', '8.25', 1],
    ])
    await desk.s.run(fileTaxReturn, { returnId: april.id })
    await desk.s.run(voidBill, { billId: bill.id, on: '2026-04-01', reason: 'Twice' })
    const again = await draft('2026-03-01', '2026-03-31')
    expect(again.rows).toEqual([])
    expect(await desk.s.refusal(fileTaxReturn, { returnId: again.id })).toBe('return-overlaps')
    expect(await desk.s.refusal(fileTaxReturn, { returnId: march.id })).toBe('return-is-filed')
    expect(await desk.s.refusal(dropTaxReturn, { returnId: march.id })).toBe('return-is-filed')
    await desk.s.run(dropTaxReturn, { returnId: again.id })
    desk.s.moveTo('2026-05-20')
    expect(figures(await draft('2026-04-21', '2026-05-20'))).toEqual([['purchases', 'STD', '-100.00', '-8.25', 1]])
  })

  test('is paid once, and clears the accounts of tax', async () => {
    await invoice('2026-03-05', '200.00')
    await rent('2026-03-10', 'R-1')
    const { id } = await draft('2026-03-01', '2026-03-31')
    expect(await desk.s.refusal(payTaxReturn, { returnId: id })).toBe('return-not-filed')
    await desk.s.run(fileTaxReturn, { returnId: id })
    expect(await desk.s.refusal(payTaxReturn, { returnId: id, amount: '8.26' })).toBe('invalid')
    expect(await desk.s.refusal(payTaxReturn, { returnId: id, on: '2026-03-30' })).toBe('not-before')
    expect(await balance('2201')).toBe(-1650n)
    const paid = await desk.s.answer(payTaxReturn, { returnId: id, on: '2026-04-10' })
    expect([paid.state, paid.paid, paid.paidOn]).toEqual(['paid', '8.25', '2026-04-10'])
    expect([await balance('2201'), await balance('1300'), await balance('1020')]).toEqual([0n, 0n, -825n])
    expect(await desk.s.refusal(payTaxReturn, { returnId: id })).toBe('return-is-paid')
    expect(await desk.s.ties()).toEqual([])
  })

  test('is to be paid again where its payment is taken back, once by however many hands', async () => {
    await invoice('2026-03-05', '100.00')
    const { id } = await draft('2026-03-01', '2026-03-31')
    await desk.s.run(fileTaxReturn, { returnId: id })
    const reason = 'The bank sent it back'
    expect(await desk.s.refusal(unpayTaxReturn, { returnId: id, reason })).toBe('return-not-paid')
    await desk.s.run(payTaxReturn, { returnId: id, on: '2026-04-10' })
    expect(await desk.s.refusal(unpayTaxReturn, { returnId: id, on: '2026-04-09', reason })).toBe('not-before')
    const hands = Array.from({ length: 6 }, () => unpayTaxReturn.run(desk.s.shop, { returnId: id, reason }))
    expect((await Promise.all(hands)).filter((r) => r.ok)).toHaveLength(1)
    expect([await balance('2201'), await balance('1020')]).toEqual([-825n, 0n])
    const again = await desk.s.answer(payTaxReturn, { returnId: id, on: '2026-04-20' })
    expect([again.state, again.paidOn]).toEqual(['paid', '2026-04-20'])
    expect([await balance('2201'), await balance('1020')]).toEqual([0n, -825n])
  })

  test('comes back where more was paid than charged, and is paid in part', async () => {
    await rent('2026-03-10', 'R-1')
    const { id } = await draft('2026-03-01', '2026-03-31')
    await desk.s.run(fileTaxReturn, { returnId: id })
    await desk.s.run(payTaxReturn, { returnId: id, amount: '8.00' })
    expect([await balance('1300'), await balance('1020')]).toEqual([25n, 800n])
  })

  test('tax on a discount that a supplier gives is not claimed', async () => {
    await rent('2026-03-10', 'R-1')
    // 2 % of 108.25 is 2.17: net 2.00, tax 0.17.
    await desk.s.run(paySupplier, { supplierId: desk.supplier, on: '2026-03-12', from: 'bank', amount: '106.08' })
    expect(figures(await draft('2026-03-01', '2026-03-31'))).toEqual([['purchases', 'STD', '98.00', '8.08', 2]])
    expect(await balance('1300')).toBe(808n)
  })

  test('refuses days that are not over, and the wrong way round', async () => {
    expect(await desk.s.refusal(draftTaxReturn, { from: '2026-04-01', through: '2026-04-21' })).toBe('invalid')
    expect(await desk.s.refusal(draftTaxReturn, { from: '2026-04-02', through: '2026-04-01' })).toBe('invalid')
    const { id } = await draft('2026-03-01', '2026-03-31')
    await desk.s.run(fileTaxReturn, { returnId: id })
    expect(await desk.s.refusal(payTaxReturn, { returnId: id })).toBe('no-tax-due')
    expect(await desk.s.refusal(writeEntry, {})).toBe('invalid')
  })
})

describe('a return on payments', () => {
  test('has the tax of what was paid, when it was paid', async () => {
    await invoice('2026-03-05', '100.00')
    const { s } = desk
    const first = await s.answer(takeReceipt, {
      customerId: s.customer,
      method: 'cheque',
      amount: '54.13',
      on: '2026-03-20',
    })
    await s.run(takeReceipt, { customerId: s.customer, method: 'transfer', amount: '54.12', on: '2026-04-03' })
    await s.run(sellAtCounter, {
      on: '2026-03-21',
      lines: [{ goodsId: s.setUp, quantity: '1' }],
      method: 'cash',
    })
    await rent('2026-03-10', 'R-1')
    // 54.13 of 108.25 is 4.13 of the tax (50.00 net); the counter 72.00 with 5.94. The rent is not paid.
    expect(figures(await draft('2026-03-01', '2026-03-31', 'paid'))).toEqual([['sales', 'STD', '122.00', '10.07', 2]])
    expect(figures(await draft('2026-04-01', '2026-04-20', 'paid'))).toEqual([['sales', 'STD', '50.00', '4.12', 1]])
    await s.run(voidReceipt, { receiptId: first.id, on: '2026-04-10', reason: 'Lost' })
    await s.run(paySupplier, { supplierId: desk.supplier, on: '2026-04-12', from: 'bank', amount: '108.25' })
    expect(figures(await draft('2026-04-01', '2026-04-20', 'paid'))).toEqual([
      ['sales', 'STD', '0.00', '-0.01', 2],
      ['purchases', 'STD', '100.00', '8.25', 1],
    ])
  })
})
