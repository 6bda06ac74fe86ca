import { beforeAll, describe, expect, test } from 'vitest'
import { sql } from 'drizzle-orm'
import { changeSettings } from '@/services/access/changeSettings'
import { billSale } from '@/services/billing/billSale'
import { creditInvoice } from '@/services/billing/creditInvoice'
import { promisePay } from '@/services/chase/promisePay'
import { remind } from '@/services/chase/remind'
import type { Command } from '@/services/command'
import type { Failure } from '@/contract/failure'
import { chargeLate } from '@/services/money/chargeExtra'
import { moveHeld } from '@/services/money/moveHeld'
import { previewPlan } from '@/services/money/previewPlan'
import { refundHeld } from '@/services/money/refundHeld'
import { takeReceipt } from '@/services/money/takeReceipt'
import { bounceReceipt } from '@/services/money/voidReceipt'
import { writeOffDue, writeOffRests } from '@/services/money/writeOff'
import { keepCardForPlan, payOffPlan, quotePlanPayoff, reschedulePlan } from '@/services/plans/changePlan'
import { giveUpLayaway } from '@/services/plans/giveUpLayaway'
import { keepView } from '@/services/views/keepView'
import { arrangeSale } from '@/services/sales/arrangeSale'
import { handOver } from '@/services/sales/handOver'
import { requestDeposit } from '@/services/sales/requestDeposit'
import { startSale } from '@/services/sales/startSale'
import { countDrawer, moveDrawer } from '@/services/till/drawer'
import { bankSlip, settleCards } from '@/services/till/toBank'
import { keepCard } from '@/standins/card/askCard'
import { openTestShop, type TestShop } from './shop'
import { listOpenDues } from '@/data/queries/due'
import { sentence } from '@/contract/sentences'

let s: TestShop
let plan: number
let planDue: number
let layaway: number
let cash: number
let transfer: number
let invoice: number
beforeAll(async () => {
  s = await openTestShop()
  const agreed = async (arrangement: unknown): Promise<number> =>
    (
      await s.answer(startSale, {
        customerId: s.customer,
        agreed: true,
        lines: [{ description: 'A bow', quantity: '1', unitPrice: '554.27' }],
        arrangement: arrangement as never,
      })
    ).id
  plan = await agreed({ kind: 'installments', count: 3, every: 'month', firstDue: '2026-04-01' })
  await s.run(handOver, { saleId: plan })
  invoice = await s.run(billSale, { saleId: plan, what: 'handed-over', issue: true })
  planDue = (await listOpenDues(s.db, s.customer, 'USD'))[0]!.id
  layaway = await agreed({ kind: 'layaway', months: 2 })
  cash = await s.run(takeReceipt, { method: 'cash', amount: '50.00', for: [{ saleId: layaway, amount: '50.00' }] })
  transfer = await s.run(takeReceipt, { customerId: s.customer, method: 'transfer', amount: '5.00', for: 'account' })
})

/** How many rows every table has: what is refused must change none of them. */
const rows = async (): Promise<Record<string, number>> => {
  const tables = await s.db.execute<{ name: string }>(
    sql`select table_name as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE' and table_name not like '%migration%'`,
  )
  const counts: Record<string, number> = {}
  for (const t of tables)
    counts[t.name] = Number(
      (await s.db.execute<{ n: string }>(sql`select count(*)::text as n from ${sql.identifier(t.name)}`))[0]!.n,
    )
  return counts
}
const refused = async <I, A>(command: Command<I, A>, input: unknown): Promise<Failure> => {
  const before = await rows()
  const done = await command.answer(s.shop, input, null)
  expect(await rows()).toEqual(before)
  if (done.ok) throw new Error('was not refused')
  // What, why and what now: a whole sentence, not a code.
  expect(sentence(done.error)).toMatch(/^[A-Z0-9“].{15,}[.:!”]?/s)
  return done.error
}

describe('what is not so is refused in a sentence, and nothing is saved', () => {
  const missing = 999_999
  test.each([
    ['an arrangement nobody knows', arrangeSale, () => ({ saleId: plan, arrangement: { kind: 'barter' } }), 'invalid'],
    [
      'more months than five years',
      arrangeSale,
      () => ({ saleId: layaway, arrangement: { kind: 'layaway', months: 61 } }),
      'invalid',
    ],
    [
      'a first payment above the total',
      arrangeSale,
      () => ({
        saleId: layaway,
        arrangement: { kind: 'installments', count: 2, every: 'month', firstDue: '2026-04-01', firstPayment: '600.01' },
      }),
      'first-payment-too-large',
    ],
    [
      'no payments at all',
      arrangeSale,
      () => ({
        saleId: layaway,
        arrangement: { kind: 'installments', count: 0, every: 'month', firstDue: '2026-04-01' },
      }),
      'invalid',
    ],
    [
      'a day that does not exist',
      arrangeSale,
      () => ({
        saleId: layaway,
        arrangement: { kind: 'installments', count: 2, every: 'month', firstDue: '2026-02-30' },
      }),
      'invalid',
    ],
    [
      'a discount in parts',
      arrangeSale,
      () => ({
        saleId: layaway,
        arrangement: { kind: 'terms', net: 10, parts: 2, discountPercent: '2', discountDays: 5 },
      }),
      'invalid',
    ],
    [
      'a discount without days',
      arrangeSale,
      () => ({ saleId: layaway, arrangement: { kind: 'terms', net: 10, discountPercent: '2' } }),
      'invalid',
    ],
    [
      'a percentage and an amount',
      arrangeSale,
      () => ({ saleId: layaway, arrangement: { kind: 'deposit', percent: '10', amount: '5.00' } }),
      'invalid',
    ],
    [
      'a percentage above a hundred',
      arrangeSale,
      () => ({ saleId: layaway, arrangement: { kind: 'deposit', percent: '101' } }),
      'invalid',
    ],
    ['an unknown sale', arrangeSale, () => ({ saleId: missing, arrangement: { kind: 'now' } }), 'not-found'],
    ['a preview of nothing', previewPlan, () => ({ kind: 'now', total: '0.00' }), 'invalid'],
    ['a preview below zero', previewPlan, () => ({ kind: 'now', total: '-5' }), 'invalid'],
    ['a stage of no deposit', requestDeposit, () => ({ saleId: layaway, stage: 1 }), 'not-this-arrangement'],
    ['nothing asked', requestDeposit, () => ({ saleId: layaway }), 'nothing-asked'],
    ['two ways of asking', requestDeposit, () => ({ saleId: layaway, percent: '10', amount: '5.00' }), 'nothing-asked'],
    ['giving up what is no layaway', giveUpLayaway, () => ({ saleId: plan }), 'not-this-arrangement'],
    ['handing over what is not paid up', handOver, () => ({ saleId: layaway }), 'layaway-not-paid-up'],
    [
      'billing a layaway',
      billSale,
      () => ({ saleId: layaway, what: 'remaining', issue: true }),
      'layaway-billed-at-handover',
    ],
    [
      'more than a layaway has to come',
      takeReceipt,
      () => ({ method: 'cash', amount: '600.00', for: [{ saleId: layaway, amount: '600.00' }] }),
      'more-than-open',
    ],
    ['a payoff before the plan', payOffPlan, () => ({ saleId: plan, on: '2026-02-28' }), 'before-plan'],
    ['a quote before the plan', quotePlanPayoff, () => ({ saleId: plan, on: '2026-02-01' }), 'before-plan'],
    ['a payoff where nothing runs', payOffPlan, () => ({ saleId: layaway }), 'no-plan'],
    ['a plan of another sale', payOffPlan, () => ({ saleId: plan, planId: missing }), 'no-plan'],
    [
      'new rows in the past',
      reschedulePlan,
      () => ({ saleId: plan, count: 2, every: 'month', firstDue: '2026-02-01' }),
      'invalid',
    ],
    [
      'a rhythm of no days',
      reschedulePlan,
      () => ({ saleId: plan, count: 2, every: { days: 0 }, firstDue: '2026-05-01' }),
      'invalid',
    ],
    ['half a card', keepCardForPlan(keepCard), () => ({ saleId: plan, number: '4000 0000' }), 'invalid'],
    ['a late charge on what is not late', chargeLate, () => ({ dueId: planDue }), 'not-late'],
    ['a late charge on nothing', chargeLate, () => ({ dueId: missing }), 'not-found'],
    ['a late charge of nothing', chargeLate, () => ({ dueId: planDue, amount: '0' }), 'invalid'],
    [
      'writing off more than is open',
      writeOffDue,
      () => ({ dueId: planDue, amount: '200.01', reason: 'x' }),
      'more-than-open',
    ],
    ['writing off without a reason', writeOffDue, () => ({ dueId: planDue, reason: ' ' }), 'invalid'],
    [
      'writing off before it was billed',
      writeOffDue,
      () => ({ dueId: planDue, on: '2026-02-20', reason: 'x' }),
      'before-invoice',
    ],
    ['no rest so small', writeOffRests, () => ({ customerId: s.customer, upTo: '0.01', reason: 'x' }), 'nothing-open'],
    [
      'moving money where it is',
      moveHeld,
      () => ({ customerId: s.customer, fromSaleId: layaway, toSaleId: layaway }),
      'same-place',
    ],
    [
      'moving more than is held',
      moveHeld,
      () => ({ customerId: s.customer, fromSaleId: layaway, amount: '50.01' }),
      'more-than-held',
    ],
    [
      'moving to a sale nobody knows',
      moveHeld,
      () => ({ customerId: s.customer, toSaleId: missing, amount: '1.00' }),
      'not-found',
    ],
    [
      'giving back more than is held',
      refundHeld,
      () => ({ customerId: s.customer, saleId: layaway, amount: '50.01', method: 'cash' }),
      'more-than-held',
    ],
    [
      'giving back in shells',
      refundHeld,
      () => ({ customerId: s.customer, amount: '1.00', method: 'shells' }),
      'invalid',
    ],
    ['cash that bounces', bounceReceipt, () => ({ receiptId: cash, reason: 'x' }), 'cannot-bounce'],
    ['a transfer that bounces', bounceReceipt, () => ({ receiptId: transfer, reason: 'x' }), 'cannot-bounce'],
    ['a receipt nobody knows', bounceReceipt, () => ({ receiptId: missing, reason: 'x' }), 'not-found'],
    ['a promise for yesterday', promisePay, () => ({ saleId: plan, by: '2026-02-28' }), 'invalid'],
    [
      'a promise of more than is open',
      promisePay,
      () => ({ saleId: plan, by: '2026-03-20', amount: '600.01' }),
      'more-than-open',
    ],
    ['a promise where nothing is open', promisePay, () => ({ saleId: layaway, by: '2026-03-20' }), 'nothing-open'],
    ['reminding who is not late', remind, () => ({ customerId: s.customer }), 'nothing-late'],
    [
      'taking out more than is in',
      moveDrawer,
      () => ({ direction: 'out', amount: '50.01', reason: 'x' }),
      'drawer-short',
    ],
    ['cash that goes sideways', moveDrawer, () => ({ direction: 'across', amount: '1.00', reason: 'x' }), 'invalid'],
    [
      'cash from receivables',
      moveDrawer,
      () => ({ direction: 'in', amount: '1.00', reason: 'x', account: '1100' }),
      'account-kept-by-papers',
    ],
    [
      'cash from an account nobody has',
      moveDrawer,
      () => ({ direction: 'in', amount: '1.00', reason: 'x', account: '7777' }),
      'not-found',
    ],
    ['a count of nothing', countDrawer, () => ({}), 'invalid'],
    [
      'pieces that do not come to the sum',
      countDrawer,
      () => ({ pieces: { '10.00': 1 }, counted: '11.00' }),
      'invalid',
    ],
    ['half a coin', countDrawer, () => ({ pieces: { '0.25': 1.5 } }), 'invalid'],
    ['a slip of nothing', bankSlip, () => ({}), 'nothing-to-bank'],
    ['more cash than there is', bankSlip, () => ({ cash: '50.01' }), 'drawer-short'],
    ['a cheque that is cash', bankSlip, () => ({ cheques: [cash] }), 'not-to-bank'],
    ['a cheque nobody knows', bankSlip, () => ({ cheques: [missing] }), 'not-found'],
    ['cards that are a transfer', settleCards, () => ({ receipts: [transfer] }), 'not-to-bank'],
    ['no cards', settleCards, () => ({ receipts: [] }), 'invalid'],
    [
      'a credit above the invoice',
      creditInvoice,
      () => ({ invoiceId: invoice, amount: '600.01', reason: 'x' }),
      'more-than-invoice-left',
    ],
    ['columns that fall', changeSettings, () => ({ ageLimits: [60, 30, 90] }), 'invalid'],
    ['reminders that go back in time', changeSettings, () => ({ reminderDays: [7, 7] }), 'invalid'],
    ['a coin of nothing', changeSettings, () => ({ smallestCoin: 0 }), 'invalid'],
    ['a list kept without a name', keepView, () => ({ place: 'invoices', name: '', query: 'state=open' }), 'invalid'],
    ['a list of nowhere', keepView, () => ({ place: 'cellar', name: 'x', query: '' }), 'invalid'],
  ] as const)('%s', async (_, command, input, code) => {
    expect((await refused(command as Command<unknown, unknown>, input())).code).toBe(code)
  })
})
