import {
  s,
  openDesk,
  closeDesk,
  DEPOSITS,
  TAX,
  TAX_AHEAD,
  BAD_DEBTS,
  balance,
  agreed,
  billed,
  earlyDiscount,
  held,
  open,
  everyDay,
  refusedFrom,
} from './correctionsDesk'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { sql } from 'drizzle-orm'
import { findBusiness } from '@/data/queries/business'
import { changeSettings } from '@/services/access/changeSettings'
import { billSale } from '@/services/billing/billSale'
import { closePeriod, reopenPeriod } from '@/services/books/closePeriod'
import { writeEntry } from '@/services/books/writeEntry'
import { listClosings } from '@/data/queries/closings'
import { moveHeld } from '@/services/money/moveHeld'
import { recoverWriteOff } from '@/services/money/recoverWriteOff'
import { refundHeld } from '@/services/money/refundHeld'
import { reverseHeldMove } from '@/services/money/reverseHeldMove'
import { takeReceipt } from '@/services/money/takeReceipt'
import { useHeld } from '@/services/money/useHeld'
import { voidRefund } from '@/services/money/voidRefund'
import { voidReceipt } from '@/services/money/voidReceipt'
import { writeOffDue } from '@/services/money/writeOff'
import { saleView } from '@/model/sale/saleView'
import { handOver } from '@/services/sales/handOver'
import { returnGoods } from '@/services/sales/returnGoods'
import { startSale } from '@/services/sales/startSale'
import { moveDrawer } from '@/services/till/drawer'

beforeEach(openDesk)
afterEach(closeDesk)

describe('days', () => {
  test('nothing that counts is dated after today', async () => {
    const sale = await agreed()
    const ahead = { on: '2062-03-01' }
    expect(await s.refusal(takeReceipt, { customerId: s.customer, method: 'cash', amount: '1.00', ...ahead })).toBe(
      'date-ahead',
    )
    expect(await s.refusal(billSale, { saleId: sale.id, what: 'remaining', issue: true, ...ahead })).toBe('date-ahead')
    expect(
      await s.refusal(writeEntry, {
        ...ahead,
        text: 'x',
        lines: [
          { account: '6000', debit: '1.00' },
          { account: '1020', credit: '1.00' },
        ],
      }),
    ).toBe('date-ahead')
    expect((await s.answer(billSale, { saleId: sale.id, what: 'remaining', ...ahead })).status).toBe('draft')
  })
  test('books close before today, and reopen with passphrase and reason; both are logged', async () => {
    expect(await s.refusal(closePeriod, { through: '2062-01-01' })).toBe('close-before-today')
    expect(await s.refusal(closePeriod, { through: '2026-03-20' })).toBe('close-before-today')
    await s.run(closePeriod, { through: '2026-03-19' })
    expect(await s.refusal(reopenPeriod, { through: null, passphrase: 'a wrong passphrase', reason: 'x' })).toBe(
      'wrong-passphrase',
    )
    expect(await s.refusal(reopenPeriod, { through: '2026-03-19', passphrase: 'a long passphrase', reason: 'x' })).toBe(
      'not-closed',
    )
    expect(
      await s.answer(reopenPeriod, { through: '2026-02-28', passphrase: 'a long passphrase', reason: 'A late bill' }),
    ).toEqual({ closedThrough: '2026-02-28' })
    await billed({ on: '2026-03-01' })
    expect((await listClosings(s.db)).map((c) => [c.kind, c.through, c.reason])).toEqual([
      ['reopened', '2026-02-28', 'A late bill'],
      ['closed', '2026-03-19', ''],
    ])
    await expect(s.db.execute(sql`delete from closing`)).rejects.toThrow()
  })
})

describe('to the cent', () => {
  test('accounts kept by papers refuse own entries and drawer moves, tax on deposits included', async () => {
    const lines = [
      { account: TAX_AHEAD, debit: '1.00' },
      { account: '1020', credit: '1.00' },
    ]
    expect(await s.refusal(writeEntry, { text: 'x', lines })).toBe('account-kept-by-papers')
    expect(await s.refusal(moveDrawer, { direction: 'in', amount: '1.00', reason: 'x', account: TAX_AHEAD })).toBe(
      'account-kept-by-papers',
    )
  })
  test('a plan over two bills charges what was agreed, and asks for the first payment once', async () => {
    const sale = await agreed({
      arrangement: {
        kind: 'installments',
        count: 2,
        every: 'month',
        firstDue: '2026-04-01',
        firstPayment: '101.01',
        charge: { flat: '10.01' },
      },
    })
    const dues = []
    for (const what of [{ percent: '50' }, 'remaining'] as const)
      dues.push(...(await s.answer(billSale, { saleId: sale.id, what, issue: true, on: '2026-03-01' })).dues)
    const first = dues.filter((d) => d.label === 'first payment').map((d) => d.amount)
    expect(first).toEqual(['50.51', '50.50'])
    expect(await balance('2160')).toBe('-10.01')
  })
  test('tax on deposits is at most the tax of the price, and goes with the bill', async () => {
    await s.run(changeSettings, { taxOnDeposits: true })
    const sale = await agreed({ price: '100.00', arrangement: { kind: 'deposit', percent: '100' } })
    const pay = (amount: string) =>
      s.run(takeReceipt, { customerId: s.customer, method: 'transfer', amount, for: [{ saleId: sale.id, amount }] })
    await pay('58.00')
    await pay('100.00')
    expect([await balance(TAX_AHEAD), await balance(DEPOSITS)]).toEqual(['8.00', '-158.00'])
    await s.run(refundHeld, { customerId: s.customer, saleId: sale.id, amount: '50.00', method: 'cash' })
    expect(await balance(TAX_AHEAD)).toBe('8.00')
    await s.run(billSale, { saleId: sale.id, what: 'remaining', issue: true })
    expect([await balance(TAX_AHEAD), await balance(TAX), await balance(DEPOSITS)]).toEqual(['0.00', '-8.00', '0.00'])
    expect(await s.ties()).toEqual([])
  })
  test('held money moved to a layaway never overfills it', async () => {
    await s.run(takeReceipt, { customerId: s.customer, method: 'cash', amount: '2000.00', for: 'account' })
    const layaway = await agreed({ price: '100.00', arrangement: { kind: 'layaway' } })
    expect(await s.refusal(moveHeld, { customerId: s.customer, toSaleId: layaway.id, amount: '108.01' })).toBe(
      'more-than-open',
    )
    await s.run(moveHeld, { customerId: s.customer, toSaleId: layaway.id, amount: '108.00' })
  })
  test('held money put on a bill in time earns the discount as money would', async () => {
    await s.run(takeReceipt, {
      customerId: s.customer,
      method: 'cash',
      amount: '1047.60',
      for: 'account',
      on: '2026-03-01',
    })
    const invoice = await billed({ arrangement: earlyDiscount, on: '2026-03-15' })
    expect(await s.answer(useHeld, { customerId: s.customer })).toMatchObject({
      used: '1047.60',
      discount: '32.40',
    })
    expect([await open(invoice.saleId), await held()]).toEqual(['0.00', []])
    expect(await balance(TAX)).toBe('-77.60')
  })
})

describe('a mistake has a way back', () => {
  test('a refund voided is held again, once', async () => {
    await s.run(takeReceipt, {
      customerId: s.customer,
      method: 'cash',
      amount: '90.00',
      for: 'account',
      on: '2026-03-02',
    })
    const refundId = await s.run(refundHeld, {
      customerId: s.customer,
      amount: '90.00',
      method: 'cash',
      on: '2026-03-05',
    })
    expect(await refusedFrom(voidRefund, { refundId, reason: 'x', on: '2026-03-04' })).toBe('2026-03-05')
    await s.run(voidRefund, { refundId, reason: 'Never paid out', on: '2026-03-06' })
    expect(await held()).toEqual(['account 90.00'])
    expect(await balance('1000')).toBe('90.00')
    expect(await s.refusal(voidRefund, { refundId, reason: 'x' })).toBe('already-voided')
    await everyDay()
  })
  test('a write-off recovered is owed again, with its tax', async () => {
    const invoice = await billed()
    const writeOffId = await s.run(writeOffDue, {
      dueId: invoice.dueId,
      amount: '540.00',
      reason: 'Gone',
      on: '2026-03-05',
    })
    expect(await balance(TAX)).toBe('-40.00')
    await s.run(recoverWriteOff, { writeOffId, reason: 'They came back', on: '2026-03-09' })
    expect([await open(invoice.saleId), await balance(BAD_DEBTS), await balance(TAX)]).toEqual([
      '1080.00',
      '0.00',
      '-80.00',
    ])
    expect(await s.refusal(recoverWriteOff, { writeOffId, reason: 'x' })).toBe('recovered-already')
    await everyDay()
  })
  test('a move of held money reversed, and a fee given back', async () => {
    const sale = await agreed({ arrangement: { kind: 'deposit', percent: '50' } })
    await s.run(takeReceipt, {
      customerId: s.customer,
      method: 'cash',
      amount: '90.00',
      for: 'account',
      on: '2026-03-02',
    })
    const transferId = await s.run(moveHeld, { customerId: s.customer, toSaleId: sale.id, on: '2026-03-04' })
    expect(await held()).toEqual(['deposit 90.00'])
    await s.run(reverseHeldMove, { transferId, reason: 'Wrong sale' })
    expect(await held()).toEqual(['account 90.00'])
    expect(await s.refusal(reverseHeldMove, { transferId, reason: 'x' })).toBe('already-voided')
    await everyDay()
  })
  test('goods handed over and not invoiced come back at their share, to be handed over again', async () => {
    const sale = await s.answer(startSale, {
      on: '2026-03-01',
      agreed: true,
      customerId: s.customer,
      lines: [{ goodsId: s.violin, quantity: '3' }],
    })
    const lineId = sale.lines[0]!.id
    await s.run(handOver, { saleId: sale.id, on: '2026-03-02' })
    const [{ id: handoverId }] = (await s.db.execute<{ id: number }>(
      sql`select id from handover order by id desc limit 1`,
    )) as unknown as [{ id: number }]
    expect(await refusedFrom(returnGoods, { handoverId, reason: 'x', on: '2026-03-01' })).toBe('2026-03-02')
    const back = await s.answer(returnGoods, {
      handoverId,
      lines: [{ lineId, quantity: '1' }],
      reason: 'Too many',
      on: '2026-03-04',
    })
    expect(back.lines).toEqual([{ lineId, quantity: '1', cost: '600.00' }])
    const after = (await saleView(s.db, sale.id, (await findBusiness(s.db))!, s.shop.today))!
    expect(after.lines[0]).toMatchObject({ toHandOver: '1', readyToBill: '2', returned: '1' })
    await s.run(billSale, { saleId: sale.id, what: 'handed-over', issue: true })
    expect(await s.refusal(returnGoods, { handoverId, reason: 'x' })).toBe('billed-is-credited')
    await s.run(handOver, { saleId: sale.id })
    await everyDay()
  })
  test('a receipt voided before its deposit was put on a bill is refused until that is taken back', async () => {
    const sale = await agreed({ arrangement: { kind: 'deposit', percent: '50' } })
    const receiptId = await s.run(takeReceipt, {
      customerId: s.customer,
      method: 'cash',
      amount: '540.00',
      for: [{ saleId: sale.id, amount: '540.00' }],
      on: '2026-03-02',
    })
    await s.run(billSale, { saleId: sale.id, what: 'remaining', issue: true, on: '2026-03-06' })
    expect(await refusedFrom(voidReceipt, { receiptId, reason: 'x', on: '2026-03-04' })).toBe('2026-03-06')
    expect(await s.refusal(voidReceipt, { receiptId, reason: 'x', on: '2026-03-06' })).toBe('held-was-used')
  })
})
