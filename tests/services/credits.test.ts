import {
  s,
  openDesk,
  closeDesk,
  RECEIVABLES,
  TAX,
  DISCOUNTS,
  BAD_DEBTS,
  balance,
  billed,
  earlyDiscount,
  held,
  open,
  everyDay,
} from './correctionsDesk'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { billSale } from '@/services/billing/billSale'
import { creditInvoice } from '@/services/billing/creditInvoice'
import { takeReceipt } from '@/services/money/takeReceipt'
import { bounceReceipt } from '@/services/money/voidReceipt'
import { writeOffDue } from '@/services/money/writeOff'
import { taxView } from '@/model/books/books'
import { startSale } from '@/services/sales/startSale'

beforeEach(openDesk)
afterEach(closeDesk)

describe('credits take no more than is left', () => {
  test('by quantity after by amount: half of what is left, then the rest', async () => {
    // 2 × 50.00 = 100.00, tax 8.00. By amount 60.00: 55.56 net and 4.44 tax. Left 44.44 net, 3.56 tax: one of two is half.
    const invoice = await billed({ price: '50.00', quantity: '2' })
    await s.run(creditInvoice, { invoiceId: invoice.id, amount: '60.00', reason: 'Price' })
    const one = await s.answer(creditInvoice, {
      invoiceId: invoice.id,
      lines: [{ lineId: invoice.lineId, quantity: '1' }],
      reason: 'Back',
    })
    expect(one.totals).toEqual({ net: '22.22', tax: '1.78', gross: '24.00' })
    const rest = await s.answer(creditInvoice, { invoiceId: invoice.id, reason: 'All' })
    expect(rest.totals.gross).toBe('24.00')
    expect(await balance(RECEIVABLES)).toBe('0.00')
    expect(await s.refusal(creditInvoice, { invoiceId: invoice.id, amount: '0.01', reason: 'x' })).toBe(
      'more-than-invoice-left',
    )
    await everyDay()
  })
  test('ten credits of a tenth leave nothing of the tax and nothing of its base', async () => {
    // 2.00 at 8 %: 0.16 tax. A tenth, 0.22, has 0.02 tax (1.6 cents) or 0.01.
    const invoice = await billed({ price: '2.00' })
    for (let i = 0; i < 10; i++)
      await s.run(creditInvoice, { invoiceId: invoice.id, amount: i < 6 ? '0.22' : '0.21', reason: 'x' })
    const tax = await taxView(s.db, { from: day('2026-01-01'), to: day('2026-12-31') }, 'USD')
    expect(tax.rows.map((r) => [r.component, r.net, r.tax])).toEqual([['Tax', '0.00', '0.00']])
  })
  test('a line at no charge is credited by a note of nothing', async () => {
    const sale = await s.answer(startSale, {
      agreed: true,
      customerId: s.customer,
      lines: [
        { description: 'Gift', quantity: '1', unitPrice: '0' },
        { description: 'Work', quantity: '1', unitPrice: '10.00' },
      ],
    })
    const invoice = await s.answer(billSale, { saleId: sale.id, what: 'remaining', issue: true })
    const note = await s.answer(creditInvoice, {
      invoiceId: invoice.id,
      lines: [{ lineId: sale.lines[0]!.id, quantity: '1' }],
      reason: 'x',
    })
    expect(note).toMatchObject({ status: 'issued', totals: { gross: '0.00' } })
    expect(await s.ties()).toEqual([])
  })
})

describe('what a credit gives back was really paid', () => {
  const paidEarly = async () => {
    const invoice = await billed({ arrangement: earlyDiscount })
    await s.run(takeReceipt, {
      customerId: s.customer,
      method: 'transfer',
      amount: '1047.60',
      on: '2026-03-05',
    })
    expect(await open(invoice.saleId)).toBe('0.00')
    return invoice
  }
  test('all of it after the discount: 1,047.60 is held, no tax, no discount', async () => {
    const invoice = await paidEarly()
    await s.run(creditInvoice, { invoiceId: invoice.id, reason: 'Back', on: '2026-03-08' })
    expect(await held()).toEqual(['account 1047.60'])
    expect([await balance(TAX), await balance(DISCOUNTS), await balance(RECEIVABLES)]).toEqual(['0.00', '0.00', '0.00'])
    await everyDay()
  })
  test('half of it: 523.80 is held, half the discount stays, and the other half gives the rest', async () => {
    const invoice = await paidEarly()
    await s.run(creditInvoice, { invoiceId: invoice.id, amount: '540.00', reason: 'Half' })
    expect(await held()).toEqual(['account 523.80'])
    // Discount 16.20 stays: 15.00 net. Tax on what was kept, 523.80: 38.80.
    expect([await balance(DISCOUNTS), await balance(TAX)]).toEqual(['15.00', '-38.80'])
    await s.run(creditInvoice, { invoiceId: invoice.id, reason: 'The rest' })
    expect(await held()).toEqual(['account 1047.60'])
    expect(await balance(TAX)).toBe('0.00')
  })
  test('the discount shrinks with what is credited before it is taken: 108.00 left, 3.24 off', async () => {
    const invoice = await billed({ arrangement: earlyDiscount })
    await s.run(creditInvoice, { invoiceId: invoice.id, amount: '972.00', reason: 'Most', on: '2026-03-02' })
    expect(await open(invoice.saleId)).toBe('108.00')
    const receipt = await s.answer(takeReceipt, {
      customerId: s.customer,
      method: 'transfer',
      amount: '104.76',
      on: '2026-03-05',
    })
    expect(receipt).toMatchObject({ discount: '3.24', onAccount: '0.00' })
    expect(await open(invoice.saleId)).toBe('0.00')
  })
  test('after a write-off nothing is held: the write-off is taken back, with its tax', async () => {
    const invoice = await billed()
    await s.run(writeOffDue, { dueId: invoice.dueId, reason: 'Gone', on: '2026-03-05' })
    expect([await balance(BAD_DEBTS), await balance(TAX)]).toEqual(['1000.00', '0.00'])
    await s.run(creditInvoice, { invoiceId: invoice.id, reason: 'Back', on: '2026-03-08' })
    expect(await held()).toEqual([])
    expect([await balance(BAD_DEBTS), await balance(TAX), await balance('4100')]).toEqual(['0.00', '0.00', '1000.00'])
    await everyDay()
  })
  test('when its receipt bounces afterwards, the customer owes what was not credited', async () => {
    const invoice = await billed({ arrangement: earlyDiscount })
    const receiptId = await s.run(takeReceipt, {
      customerId: s.customer,
      method: 'cheque',
      amount: '1047.60',
      on: '2026-03-05',
    })
    await s.run(creditInvoice, { invoiceId: invoice.id, amount: '540.00', reason: 'Half', on: '2026-03-08' })
    await s.run(bounceReceipt, { receiptId, reason: 'No money', fee: '0', on: '2026-03-10' })
    expect([await open(invoice.saleId), await held(), await balance(DISCOUNTS)]).toEqual(['540.00', [], '0.00'])
    expect(await balance(TAX)).toBe('-40.00')
    await everyDay()
  })
})
