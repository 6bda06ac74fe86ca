import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { findBusiness } from '@/data/queries/business'
import { balanceSheetView, profitAndLossView } from '@/model/books/books'
import { payablesView } from '@/model/buying/payables'
import { owedView } from '@/model/receivables/owed'
import { openBooks } from '@/services/books/openBooks'
import { paySupplier } from '@/services/buying/paySupplier'
import { takeReceipt } from '@/services/money/takeReceipt'
import { openBuying } from './buyingDesk'

/** The books begin on 2 March; today is the 20th. Twenty rosin and five violins lie in stock from before. */
let d: Awaited<ReturnType<typeof openBuying>>
beforeEach(async () => {
  d = await openBuying()
  d.s.moveTo('2026-03-20')
})
afterEach(() => d.s.close())

const whole = () => ({
  on: '2026-03-02',
  accounts: [
    { code: '1020', debit: '500.00' },
    { code: '1500', debit: '200.00' },
  ],
  receivables: [
    { customerId: d.s.customer, number: 'OLD-7', on: '2025-12-10', due: '2026-01-09', amount: '120.00' },
    { customerId: d.s.customer, number: 'OLD-9', on: '2026-02-20', due: '2026-03-22', amount: '80.00' },
  ],
  payables: [{ supplierId: d.supplier, number: 'GS-1', on: '2026-01-15', due: '2026-02-14', amount: '60.00' }],
  held: [{ customerId: d.s.customer, amount: '30.00' }],
  stock: [{ goodsId: d.s.rosin, quantity: '25', unitCost: '6.00' }],
})
const owed = async (asOf: string, by: 'due' | 'invoice' = 'due') =>
  owedView(d.s.db, { asOf: day(asOf), by }, (await findBusiness(d.s.db))!)

describe('opening balances', () => {
  test('stand from their day on, as old as their documents are, and the rest is the owner’s', async () => {
    const done = await d.s.answer(openBooks, whole())
    expect(done.difference).toBe('0.00')
    const line = (account: string) => done.lines.find((l) => l.account === account)
    // 500 + 200 + 200 + 5 rosin more at 6.00, less 60 and 30: 840.00 is the owner's.
    expect([line('1100')?.debit, line('2000')?.credit, line('2120')?.credit, line('3900')?.credit]).toEqual([
      '200.00',
      '60.00',
      '30.00',
      '840.00',
    ])
    expect(await d.s.ties()).toEqual([])
    for (const asOf of ['2026-03-01', '2026-03-02', '2026-03-20']) expect(await d.s.ties(day(asOf))).toEqual([])
    expect((await owed('2026-03-01')).totals.total).toBe('0.00')
    // OLD-7 is due since 9 January: 70 days late; OLD-9 is not due.
    expect((await owed('2026-03-20')).totals).toMatchObject({ notDue: '80.00', d61to90: '120.00', total: '200.00' })
    // By invoice: 100 days, and 28.
    expect((await owed('2026-03-20', 'invoice')).totals).toMatchObject({ d1to30: '80.00', over90: '120.00' })
    const payables = await payablesView(d.s.db, { asOf: day('2026-03-20') }, 'USD')
    expect(payables.totals).toMatchObject({ d31to60: '60.00', total: '60.00' })
    // Nothing of it is a gain of the month.
    const { totals } = await profitAndLossView(d.s.db, { from: day('2026-03-01'), to: day('2026-03-31') }, 'USD')
    expect(totals.profit).toBe('0.00')
    const sheet = await balanceSheetView(d.s.db, day('2026-03-20'), 'USD')
    expect(sheet.difference).toBe('0.00')
  })

  test('are paid like any other', async () => {
    await d.s.run(openBooks, whole())
    await d.s.run(takeReceipt, { customerId: d.s.customer, method: 'transfer', amount: '150.00' })
    expect((await owed('2026-03-20')).totals).toMatchObject({ notDue: '50.00', d61to90: '0.00', total: '50.00' })
    await d.s.run(paySupplier, { supplierId: d.supplier, from: 'bank', amount: '60.00' })
    expect(await d.balance('payables')).toBe('0.00')
    expect(await d.s.ties()).toEqual([])
  })

  test('that do not agree are refused with by how much, and nothing is kept', async () => {
    const refused = async (more: object) => d.s.refusal(openBooks, { ...whole(), ...more })
    const bank = { code: '1020', debit: '500.00' }
    expect(await refused({ accounts: [bank, { code: '3000', credit: '400.00' }] })).toBe('opening-differs')
    expect(await refused({ accounts: [bank, { code: '1100', debit: '1.00' }] })).toBe('invalid')
    expect(await refused({ accounts: [{ code: '9999', debit: '1.00' }] })).toBe('invalid')
    expect(await refused({ accounts: [{ code: '1020', debit: '1.00', credit: '1.00' }] })).toBe('invalid')
    expect(await refused({ receivables: [{ ...whole().receivables[0], on: '2026-03-03' }] })).toBe('invalid')
    expect(await refused({ receivables: [{ ...whole().receivables[0], customerId: 999 }] })).toBe('invalid')
    expect(await refused({ payables: [{ ...whole().payables[0], supplierId: 999 }] })).toBe('invalid')
    expect(await refused({ held: [{ customerId: 999, amount: '1.00' }] })).toBe('not-found')
    expect(await refused({ on: '2026-03-21' })).toBe('date-ahead')
    expect(await d.s.refusal(openBooks, { on: '2026-03-02' })).toBe('invalid')
    expect((await owed('2026-03-20')).totals.total).toBe('0.00')
    // What all the rest comes to: 500 + 200 + 200 + 30 − 60 − 30, and 640 of it is told.
    const told = [...whole().accounts, { code: '3000', credit: '840.00' }]
    expect((await d.s.answer(openBooks, { ...whole(), accounts: told })).difference).toBe('0.00')
  })
})
