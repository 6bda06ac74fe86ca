import { s, business, openDesk, onDay, refusedOn, see, moved, work, agreed, billed } from './moneyDesk'
import { beforeAll, describe, expect, test } from 'vitest'
import { addDays, day, type Day } from '@/core/day'
import { creditInvoice } from '@/services/billing/creditInvoice'
import { promisePay } from '@/services/chase/promisePay'
import { remind } from '@/services/chase/remind'
import { refundHeld } from '@/services/money/refundHeld'
import { sellAtCounter } from '@/services/money/sellAtCounter'
import { takeReceipt } from '@/services/money/takeReceipt'
import { bounceReceipt, voidReceipt } from '@/services/money/voidReceipt'
import { writeOffDue, writeOffRests } from '@/services/money/writeOff'
import { addCustomer } from '@/services/people/keepCustomer'
import { readStatement } from '@/model/receivables/statement'
import { bankSlip, settleCards } from '@/services/till/toBank'
import { listOpenDues } from '@/data/queries/due'
import { manyHands } from './shop'

beforeAll(manyHands)

beforeAll(openDesk)

describe('money that comes back', () => {
  test('a bounced cheque that had paid three dues opens them again, takes the bank’s fee and charges ours', async () => {
    const payer = await s.run(addCustomer, { name: 'Bruno Falk' })
    const sale = await agreed('1000.00', { kind: 'terms', net: 10, parts: 3, every: 'month' }, payer)
    await billed(sale.id, '2026-03-01')
    const cheque = await onDay('2026-03-05', takeReceipt, { customerId: payer, method: 'cheque', amount: '1082.50' })
    expect(cheque.filled.map((f) => f.amount)).toEqual(['360.84', '360.83', '360.83'])
    await onDay('2026-03-06', bankSlip, { cheques: [cheque.id] })
    expect(await refusedOn('2026-03-06', bankSlip, { cheques: [cheque.id] })).toBe('not-to-bank')
    expect(await refusedOn('2026-03-07', voidReceipt, { receiptId: cheque.id, reason: 'x' })).toBe('banked-already')
    const change = await moved(['1010', '1020', '1100', '6110', '4020'], () =>
      onDay('2026-03-12', bounceReceipt, { receiptId: cheque.id, reason: 'No funds', bankFee: '12.00', fee: '20.00' }),
    )
    // It lay in the bank: 1,082.50 and the bank's 12.00 go; owed again 1,082.50 and our 20.00.
    expect(change).toEqual([0n, -109_450n, 110_250n, 1200n, -2000n])
    const open = await listOpenDues(s.db, payer, 'USD')
    expect(open.map((d) => d.open.minor)).toEqual([36_084n, 2000n, 36_083n, 36_083n])
    expect(await refusedOn('2026-03-13', bounceReceipt, { receiptId: cheque.id, reason: 'again' })).toBe(
      'already-voided',
    )
    expect((await see(sale.id, '2026-03-13')).trail.at(-1)!.balance).toBe('1102.50')
  })

  test('a bounced deposit that a bill has used opens that bill', async () => {
    const payer = await s.run(addCustomer, { name: 'Noor Haddad' })
    const sale = await agreed('1000.00', { kind: 'deposit', percent: '100' }, payer)
    const cheque = await onDay('2026-03-02', takeReceipt, { customerId: payer, method: 'cheque', amount: '1082.50' })
    await billed(sale.id, '2026-03-03')
    expect(await refusedOn('2026-03-04', voidReceipt, { receiptId: cheque.id, reason: 'x' })).toBe('held-was-used')
    const change = await moved(['1010', '1100', '2100'], () =>
      onDay('2026-03-09', bounceReceipt, { receiptId: cheque.id, reason: 'No funds', fee: '0' }),
    )
    expect(change).toEqual([-108_250n, 108_250n, 0n])
    expect((await see(sale.id, '2026-03-09')).money).toMatchObject({ open: '1082.50', held: '0.00' })
  })

  test('a card payment at the counter that is reversed is owed from then on', async () => {
    const counter = await onDay('2026-03-02', sellAtCounter, {
      customerId: s.customer,
      lines: [work('100.00')],
      method: 'card',
    })
    await onDay('2026-03-04', settleCards, { receipts: [counter.receiptId], fees: '2.10' })
    const change = await moved(['1020', '1100'], () =>
      onDay('2026-03-20', bounceReceipt, { receiptId: counter.receiptId, reason: 'Disputed', fee: '0' }),
    )
    expect(change).toEqual([-10_825n, 10_825n])
    expect((await see(counter.saleId, '2026-03-20')).money.open).toBe('108.25')
    await onDay('2026-03-21', takeReceipt, {
      method: 'cash',
      amount: '108.25',
      for: [{ saleId: counter.saleId, amount: '108.25' }],
    })
  })

  test('a paid invoice credited: part refunded at once, part kept on account', async () => {
    const payer = await s.run(addCustomer, { name: 'Piet Marsh' })
    const sale = await agreed('400.00', { kind: 'now' }, payer)
    const bill = await billed(sale.id, '2026-03-01')
    await onDay('2026-03-01', takeReceipt, { customerId: payer, method: 'card', amount: '433.00' })
    const change = await moved(['4100', '2201', '2120', '1100'], () =>
      onDay('2026-03-05', creditInvoice, { invoiceId: bill.id, amount: '108.25', reason: 'A scratch' }),
    )
    expect(change).toEqual([10_000n, 825n, -10_825n, 0n])
    await onDay('2026-03-06', refundHeld, { customerId: payer, amount: '58.25', method: 'card' })
    expect(await refusedOn('2026-03-06', refundHeld, { customerId: payer, amount: '50.01', method: 'card' })).toBe(
      'more-than-held',
    )
    // Credit and new draft in one step, what was paid for it going straight back.
    const again = await onDay('2026-03-07', creditInvoice, {
      invoiceId: bill.id,
      reason: 'Wrong name',
      draftAgain: true,
      refund: 'cash',
    })
    expect(again.draftId).not.toBeNull()
    expect((await see(sale.id, '2026-03-07')).invoices.at(-1)).toMatchObject({ status: 'draft' })
  })
})

describe('giving up, chasing', () => {
  test('a write-off takes the loss, and its tax comes back', async () => {
    const payer = await s.run(addCustomer, { name: 'Gone Away', email: 'gone@away.example' })
    const sale = await agreed('1000.00', { kind: 'now' }, payer)
    const bill = await billed(sale.id, '2026-03-01')
    const dueId = bill.dues[0]!.id
    expect(await refusedOn('2026-03-02', writeOffDue, { dueId, amount: '1082.51', reason: 'x' })).toBe('more-than-open')
    const change = await moved(['6200', '2201', '1100'], () =>
      onDay('2026-03-02', writeOffDue, { dueId, amount: '541.25', reason: 'Half is lost' }),
    )
    // Half of 1,082.50: tax 41.25, net 500.00
    expect(change).toEqual([50_000n, 4125n, -54_125n])
    await onDay('2026-03-03', takeReceipt, { customerId: payer, method: 'transfer', amount: '541.00' })
    const rest = await onDay('2026-03-04', writeOffRests, { customerId: payer, upTo: '1.00', reason: 'Too small' })
    expect(rest).toMatchObject({ count: 1, amount: '0.25' })
    expect((await see(sale.id, '2026-03-04')).stands).toBe('settled')
    expect(await refusedOn('2026-03-05', writeOffDue, { dueId, reason: 'x' })).toBe('due-not-open')
  })

  test('reminders get firmer, and never two in one stage’s time; a promise silences Today until it is broken', async () => {
    const payer = await s.run(addCustomer, { name: 'Slow Sam', email: 'sam@slow.example' })
    const sale = await agreed('100.00', { kind: 'now' }, payer)
    await billed(sale.id, '2026-03-01')
    expect(await refusedOn('2026-03-07', remind, { customerId: payer })).toBe('nothing-late')
    expect(await onDay('2026-03-08', remind, { customerId: payer })).toMatchObject({ stage: 1 })
    expect(await refusedOn('2026-03-21', remind, { customerId: payer })).toBe('reminded-lately')
    expect(await onDay('2026-03-22', remind, { customerId: payer })).toMatchObject({ stage: 2 })
    await onDay('2026-03-23', promisePay, { saleId: sale.id, by: '2026-03-30' })
    const steps = async (on: string) => (await see(sale.id, on)).next.map((n) => n.action)
    expect(await steps('2026-03-30')).toEqual([])
    expect(await steps('2026-03-31')).toEqual(['promise-broken', 'remind'])
    expect(await refusedOn('2026-03-24', promisePay, { saleId: sale.id, by: '2026-03-23' })).toBe('invalid')
  })

  test('two payments of the same due at once: one fills it, the other is told', async () => {
    const payer = await s.run(addCustomer, { name: 'Twice' })
    const sale = await agreed('100.00', { kind: 'now' }, payer)
    const bill = await billed(sale.id, '2026-03-01')
    const once = () =>
      takeReceipt.answer(
        { db: s.db, today: day('2026-03-02') },
        { method: 'cash', amount: '108.25', for: [{ dueId: bill.dues[0]!.id, amount: '108.25' }] },
        null,
      )
    const both = await Promise.all([once(), once()])
    expect(both.filter((r) => r.ok)).toHaveLength(1)
    expect(both.find((r) => !r.ok)).toMatchObject({ error: { code: 'due-not-open' } })
  })

  test('one receipt for several customers’ papers, where it is said', async () => {
    const [parent, child] = [await s.run(addCustomer, { name: 'Parent' }), await s.run(addCustomer, { name: 'Child' })]
    const sales = [await agreed('100.00', { kind: 'now' }, parent), await agreed('200.00', { kind: 'now' }, child)]
    const dues = []
    for (const sale of sales) dues.push((await billed(sale.id, '2026-03-01')).dues[0]!)
    const wish = {
      customerId: parent,
      method: 'transfer',
      amount: '324.75',
      for: dues.map((d) => ({ dueId: d.id, amount: d.open })),
    } as const
    expect(await refusedOn('2026-03-02', takeReceipt, wish)).toBe('other-customer')
    await onDay('2026-03-02', takeReceipt, { ...wish, forOthers: true, for: [...wish.for] })
    for (const sale of sales) expect((await see(sale.id, '2026-03-02')).stands).toBe('settled')
    const statement = await readStatement(s.db, child, { from: day('2026-03-01'), to: day('2026-03-31') }, business)
    expect(statement!.closing.minor).toBe(0n)
  })
})

test('after all of it every tie is zero, on every day', async () => {
  expect(await s.ties()).toEqual([])
  for (let on: Day = day('2026-03-01'); on < '2026-07-05'; on = addDays(on, 9)) expect(await s.ties(on)).toEqual([])
})
