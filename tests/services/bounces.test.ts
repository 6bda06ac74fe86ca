import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { sql } from 'drizzle-orm'
import { day } from '@/core/day'
import { toDecimalString } from '@/core/money'
import { findBusiness } from '@/data/queries/business'
import { billSale } from '@/services/billing/billSale'
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
import { readTrialBalance } from '@/model/books/books'
import { saleView } from '@/model/sale/saleView'
import { handOver } from '@/services/sales/handOver'
import { startSale } from '@/services/sales/startSale'
import { openTestShop, type TestShop } from './shop'
import { listHeld } from '@/data/queries/held'

/** Tax 8 %, so that 1,000.00 comes to 1,080.00. Today is 20 March. */
const eightPercent = {
  taxCodes: [{ code: 'STD', name: 'Sales tax', components: [{ name: 'Tax', rate: '0.08' }] }],
}
let s: TestShop
beforeEach(async () => {
  s = await openTestShop(eightPercent)
  s.moveTo('2026-03-20')
})

afterEach(() => s.close())

const balance = async (code: string, asOf = '2199-01-01'): Promise<string> => {
  const row = (await readTrialBalance(s.db, day(asOf), 'USD')).rows.find((r) => r.code === code)
  return toDecimalString({ minor: (row?.debit.minor ?? 0n) - (row?.credit.minor ?? 0n), currency: 'USD' })
}
const [RECEIVABLES] = ['1100', '2100', '2201', '2290', '4110', '6200'] as const

interface Wish {
  readonly price?: string
  readonly quantity?: string
  readonly arrangement?: object
  readonly on?: string
}

/** An agreed sale of work, which needs no stock. */
const agreed = async ({ price = '1000.00', quantity = '1', arrangement, on = '2026-03-01' }: Wish = {}) =>
  s.answer(startSale, {
    on,
    agreed: true,
    customerId: s.customer,
    lines: [{ description: 'Restoration', quantity, unitPrice: price }],
    arrangement: arrangement as never,
  })

/** The same, billed. */
const billed = async (wish: Wish = {}) => {
  const sale = await agreed(wish)
  const invoice = await s.answer(billSale, {
    saleId: sale.id,
    what: 'remaining',
    issue: true,
    on: wish.on ?? '2026-03-01',
  })
  return { saleId: sale.id, lineId: sale.lines[0]!.id, id: invoice.id, dueId: invoice.dues[0]?.id ?? 0 }
}
const held = async (): Promise<string[]> =>
  (await listHeld(s.db, { customerId: s.customer }, 'USD')).map((h) => `${h.kind} ${toDecimalString(h.amount)}`)
const open = async (saleId: number): Promise<string> =>
  (await saleView(s.db, saleId, (await findBusiness(s.db))!, day('2026-03-20')))!.money.open
const refusedFrom = async (command: Parameters<TestShop['run']>[0], input: unknown): Promise<string> => {
  const done = await command.answer({ ...s.shop, today: s.shop.today }, input, null)
  return done.ok ? 'not refused' : done.error.code === 'not-before' ? done.error.from : done.error.code
}
/** The ties hold on every day of the story. */
const everyDay = async (): Promise<void> => {
  for (let d = 1; d <= 20; d++) expect(await s.ties(day(`2026-03-${String(d).padStart(2, '0')}`))).toEqual([])
}

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
