import {
  s,
  openDesk,
  closeDesk,
  RECEIVABLES,
  balance,
  agreed,
  billed,
  held,
  open,
  everyDay,
  refusedFrom,
} from './correctionsDesk'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { sql } from 'drizzle-orm'
import { creditInvoice } from '@/services/billing/creditInvoice'
import { countStock } from '@/services/goods/countStock'
import { moveHeld } from '@/services/money/moveHeld'
import { refundHeld } from '@/services/money/refundHeld'
import { takeReceipt } from '@/services/money/takeReceipt'
import { useHeld } from '@/services/money/useHeld'
import { bounceReceipt } from '@/services/money/voidReceipt'
import { addCustomer } from '@/services/people/keepCustomer'
import { giveUpLayaway } from '@/services/plans/giveUpLayaway'
import { reschedulePlan } from '@/services/plans/changePlan'
import { handOver } from '@/services/sales/handOver'
import { startSale } from '@/services/sales/startSale'

beforeEach(openDesk)
afterEach(closeDesk)

describe('a bounce can always be recorded', () => {
  const deposit = async () => {
    const sale = await agreed({ arrangement: { kind: 'deposit', percent: '50' } })
    const receiptId = await s.run(takeReceipt, {
      customerId: s.customer,
      method: 'cheque',
      amount: '540.00',
      for: [{ saleId: sale.id, amount: '540.00' }],
      on: '2026-03-03',
    })
    return { saleId: sale.id, receiptId }
  }
  test.each([
    [
      'refunded',
      (d: { saleId: number }) =>
        s.run(refundHeld, {
          customerId: s.customer,
          saleId: d.saleId,
          amount: '540.00',
          method: 'cash',
          on: '2026-03-05',
        }),
    ],
    [
      'moved',
      (d: { saleId: number }) => s.run(moveHeld, { customerId: s.customer, fromSaleId: d.saleId, on: '2026-03-05' }),
    ],
  ] as const)('after its money was %s: it is owed from that day', async (_, use) => {
    const d = await deposit()
    await use(d)
    await s.run(bounceReceipt, { receiptId: d.receiptId, reason: 'No money', fee: '0', on: '2026-03-10' })
    expect(await open(d.saleId)).toBe('540.00')
    expect([await balance(RECEIVABLES, '2026-03-09'), await balance(RECEIVABLES, '2026-03-10')]).toEqual([
      '0.00',
      '540.00',
    ])
    await everyDay()
  })
  test('after a layaway was given up: fee and refund stand, the customer owes the money', async () => {
    const sale = await agreed({ arrangement: { kind: 'layaway', fee: { percent: '10' } } })
    const receiptId = await s.run(takeReceipt, {
      customerId: s.customer,
      method: 'card',
      amount: '300.00',
      for: [{ saleId: sale.id, amount: '300.00' }],
      on: '2026-03-03',
    })
    await s.run(giveUpLayaway, { saleId: sale.id, on: '2026-03-06' })
    await s.run(bounceReceipt, { receiptId, reason: 'Reversed', fee: '0' })
    expect(await open(sale.id)).toBe('300.00')
    await everyDay()
  })
  test('for a customer without any sale: one is made to owe it on', async () => {
    const customerId = await s.run(addCustomer, { name: 'Nobody Yet' })
    const receiptId = await s.run(takeReceipt, {
      customerId,
      method: 'cheque',
      amount: '50.00',
      for: 'account',
    })
    await s.run(refundHeld, { customerId, amount: '50.00', method: 'cash' })
    await s.run(bounceReceipt, { receiptId, reason: 'No money', fee: '12.00' })
    expect(await balance(RECEIVABLES)).toBe('62.00')
    expect(await s.ties()).toEqual([])
  })
  test('on a day before its money was used, the refusal says from when it works', async () => {
    const d = await deposit()
    await s.run(refundHeld, {
      customerId: s.customer,
      saleId: d.saleId,
      amount: '40.00',
      method: 'cash',
      on: '2026-03-12',
    })
    expect(await refusedFrom(bounceReceipt, { receiptId: d.receiptId, reason: 'x', fee: '0', on: '2026-03-05' })).toBe(
      '2026-03-12',
    )
    await s.run(bounceReceipt, { receiptId: d.receiptId, reason: 'x', fee: '0', on: '2026-03-12' })
    expect([await open(d.saleId), await held()]).toEqual(['40.00', []])
  })
})

describe('nothing is used before it was there', () => {
  test('held money, from the day it came', async () => {
    await billed({ on: '2026-03-01' })
    await s.run(takeReceipt, {
      customerId: s.customer,
      method: 'cash',
      amount: '100.00',
      for: 'account',
      on: '2026-03-10',
    })
    const early = { customerId: s.customer, on: '2026-03-04' }
    expect(await refusedFrom(refundHeld, { ...early, amount: '100.00', method: 'cash' })).toBe('2026-03-10')
    const sale = await agreed({ price: '10.00' })
    expect(await refusedFrom(moveHeld, { ...early, toSaleId: sale.id, amount: '100.00' })).toBe('2026-03-10')
    expect(await s.refusal(useHeld, early)).toBe('more-than-held')
    await s.run(useHeld, { customerId: s.customer, on: '2026-03-10' })
    await everyDay()
  })
  test('goods, from the day they were counted in', async () => {
    await s.run(countStock, {
      on: '2026-03-10',
      lines: [{ goodsId: s.violin, counted: '8', unitCost: '600.00' }],
    })
    const sale = await s.answer(startSale, {
      on: '2026-03-01',
      agreed: true,
      customerId: s.customer,
      lines: [{ goodsId: s.violin, quantity: '7' }],
    })
    expect(
      await refusedFrom(handOver, {
        saleId: sale.id,
        on: '2026-03-04',
        lines: [{ lineId: sale.lines[0]!.id, quantity: '7' }],
      }),
    ).toBe('2026-03-10')
    await s.run(handOver, {
      saleId: sale.id,
      on: '2026-03-10',
      lines: [{ lineId: sale.lines[0]!.id, quantity: '7' }],
    })
    // Counted on a day before: 5 were there that day, so 4 is one missing; but only one is left for good, and 3 is too few.
    await s.run(countStock, { on: '2026-03-02', lines: [{ goodsId: s.violin, counted: '4' }] })
    expect(await s.refusal(countStock, { on: '2026-03-02', lines: [{ goodsId: s.violin, counted: '3' }] })).toBe(
      'not-before',
    )
    await everyDay()
  })
  test('a credit dated before a payment, and before a plan was arranged anew', async () => {
    const invoice = await billed()
    await s.run(takeReceipt, { customerId: s.customer, method: 'cash', amount: '1080.00', on: '2026-03-09' })
    expect(
      await refusedFrom(creditInvoice, { invoiceId: invoice.id, amount: '80.00', reason: 'x', on: '2026-03-04' }),
    ).toBe('2026-03-09')
    const plan = await billed({
      arrangement: { kind: 'installments', count: 3, every: 'month', firstDue: '2026-04-01' },
    })
    await s.run(reschedulePlan, {
      saleId: plan.saleId,
      count: 6,
      every: 'month',
      firstDue: '2026-05-01',
      on: '2026-03-12',
    })
    expect(
      await refusedFrom(creditInvoice, { invoiceId: plan.id, amount: '80.00', reason: 'x', on: '2026-03-08' }),
    ).toBe('2026-03-12')
    await s.run(creditInvoice, { invoiceId: plan.id, amount: '80.00', reason: 'x', on: '2026-03-12' })
    await everyDay()
  })
  test('the database holds it, whatever a program asks', async () => {
    const invoice = await billed({ on: '2026-03-05' })
    const fill = (on: string) =>
      s.db.execute(
        sql`insert into due_fill (due_id, on_day, amount, kind) values (${invoice.dueId}, ${on}, 1, 'moved')`,
      )
    await expect(fill('2026-03-04')).rejects.toThrow()
    await s.run(takeReceipt, {
      customerId: s.customer,
      method: 'cash',
      amount: '100.00',
      for: 'account',
      on: '2026-03-10',
    })
    await expect(
      s.db.execute(
        sql`insert into held_move (customer_id, kind, on_day, amount, why, entry_id) select customer_id, kind, '2026-03-09', -1, 'use', entry_id from held_move`,
      ),
    ).rejects.toThrow()
  })
})
