import { beforeAll, describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { CASH_PARTS } from '@/core/ledger'
import { negateMoney, subtractMoney, sumMoney, toDecimalString } from '@/core/money'
import { findBusiness, type Business } from '@/data/queries/business'
import { listAccounts } from '@/data/queries/accounts'
import { drawerLines, readDrawer } from '@/model/bank/drawer'
import { readAccount, readAccountName } from '@/model/books/account'
import { readJournalLines } from '@/model/books/bookRows'
import {
  balanceSheetView,
  profitAndLossView,
  readCashFlow,
  readCashFlowByMonth,
  readProfitByMonth,
  taxView,
  trialBalanceView,
} from '@/model/books/books'
import { hrefOfSource } from '@/model/books/entrySource'
import { readToday } from '@/model/today/today'
import { groupWaiting } from '@/model/today/waiting'
import { billSale } from '@/services/billing/billSale'
import { changeSettings } from '@/services/access/changeSettings'
import { takeReceipt } from '@/services/money/takeReceipt'
import { handOver } from '@/services/sales/handOver'
import { offerSale } from '@/services/sales/offerSale'
import { startSale } from '@/services/sales/startSale'
import { moveDrawer } from '@/services/till/drawer'
import { openTestShop, type TestShop } from './shop'

const TODAY = day('2026-03-01')
let s: TestShop
let business: Business
const work = (price: string, more: object = {}) =>
  s.answer(startSale, {
    customerId: s.customer,
    agreed: true,
    lines: [{ description: `Work at ${price}`, quantity: '1', unitPrice: price }],
    ...more,
  })
const billedOn = async (price: string, on: string, net = 10) => {
  const sale = await work(price, { on, arrangement: { kind: 'terms', net } })
  await s.run(handOver, { saleId: sale.id, on })
  await s.run(billSale, { saleId: sale.id, what: 'handed-over', issue: true, on })
  return sale
}

beforeAll(async () => {
  s = await openTestShop()
  await s.run(changeSettings, { shopfrontOpen: true })
  business = (await findBusiness(s.db))!
  // 100.00 + 8.25 is late by 39 days, 200.00 + 16.50 is due on the 5th of March.
  await billedOn('100.00', '2026-01-11')
  await billedOn('200.00', '2026-02-23')
  const offered = await work('400.00', { agreed: false })
  await s.run(offerSale, { saleId: offered.id, on: '2026-02-20', validUntil: '2026-03-31' })
  await work('50.00', { wantedBy: '2026-03-08' })
  await s.run(takeReceipt, { customerId: s.customer, method: 'cash', amount: '8.25', for: 'oldest', on: '2026-02-27' })
  await s.run(takeReceipt, { customerId: s.customer, method: 'cash', amount: '20.00', for: 'oldest' })
  await s.run(moveDrawer, { direction: 'out', amount: '5.00', reason: 'Stamps' })
})

describe('today', () => {
  test('puts what is late first, then what can be handed over, then who should be asked', async () => {
    const { waiting } = await readToday(s.db, business, TODAY)
    expect(waiting.map((w) => [w.step.action, w.step.amount && toDecimalString(w.step.amount)])).toEqual([
      ['remind', '80.00'], // 108.25 less 28.25
      ['hand-over', null],
      ['ask-again', '433.00'],
    ])
  })

  test('adds up what is in them and what is out there', async () => {
    const view = await readToday(s.db, business, TODAY)
    expect(toDecimalString(view.inThem)).toBe('567.13') // 80.00 + 54.13, the whole sale to hand over, + 433.00
    expect(view.out).toMatchObject({ offered: 1, agreed: 1 })
    expect(toDecimalString(view.out.offeredAmount)).toBe('433.00')
    expect(toDecimalString(view.out.agreedAmount)).toBe('54.13') // 50.00 and 4.125, half away from zero
    expect(view.baskets).toBe(0)
    expect(view.post).toMatchObject({ waiting: 0, bounced: 0 })
  })

  test('groups what waits by what it asks, and the groups add up to the whole', async () => {
    const groups = groupWaiting((await readToday(s.db, business, TODAY)).waiting)
    expect(groups.map((g) => [g.title, g.waiting.length, toDecimalString(g.worth)])).toEqual([
      ['Late', 1, '80.00'],
      ['To hand over', 1, '54.13'],
      ['To answer', 1, '433.00'],
    ])
    expect(groupWaiting([])).toEqual([])
  })

  test('tells the days that come, in their order', async () => {
    const { comingUp } = await readToday(s.db, business, TODAY)
    expect(comingUp.map((c) => [c.on, c.text])).toEqual([
      ['2026-03-05', expect.stringMatching(/^Hazel Adair, invoice /)],
      ['2026-03-08', 'Work at 50.00 for Hazel Adair'],
    ])
  })

  test('knows what should lie in the drawer, and what of it came today', async () => {
    const { drawer } = await readToday(s.db, business, TODAY)
    expect([drawer.other, drawer.cash, drawer.now].map(toDecimalString)).toEqual(['3.25', '20.00', '23.25'])
    expect(drawer.receipts).toBe(1)
    const lines = drawerLines(await readDrawer(s.db, TODAY, 'USD'))
    expect(lines.map((l) => toDecimalString(l.amount))).toEqual(['8.25', '20.00', '-5.00', '23.25'])
    expect(lines.at(-1)).toMatchObject({ text: 'Should be in it', total: true })
  })

  test('of another day is another day', async () => {
    const before = await readToday(s.db, business, day('2026-01-15'))
    expect(before.waiting.map((w) => w.step.action)).not.toContain('remind')
  })
})

describe('an account', () => {
  const where = () => ({ db: s.db, currency: 'USD', today: TODAY, business })
  const idOf = async (role: string) => (await listAccounts(s.db)).find((a) => a.role === role)!.id

  test('runs its balance from what stood before the span, each line opening its paper', async () => {
    const rows = (await readAccount(where(), await idOf('receivables'), {
      from: day('2026-02-01'),
      to: day('2026-02-28'),
    }))!
    expect(rows.map((r) => [r.on, toDecimalString(r.amount), toDecimalString(r.balance)])).toEqual([
      ['2026-02-01', '0.00', '108.25'],
      ['2026-02-23', '216.50', '324.75'],
      ['2026-02-27', '-8.25', '316.50'],
    ])
    expect(rows[1]!.href).toMatch(/^\/invoices\/\d+$/)
    expect(rows[2]!.href).toMatch(/^\/receipts\/\d+$/)
  })

  test('in pages carries over what came before', async () => {
    const all = { from: day('2026-01-01'), to: TODAY }
    const whole = (await readAccount(where(), await idOf('receivables'), all))!
    const second = (await readAccount(where(), await idOf('receivables'), { ...all, limit: 2, offset: 2 }))!
    expect(second[0]).toMatchObject({ text: 'carried over', balance: whole[2]!.balance })
    expect(second.slice(1)).toEqual(whole.slice(3, 5))
  })

  test('there is none of is none', async () => {
    expect(await readAccount(where(), 99_999, { from: TODAY, to: TODAY })).toBeNull()
    expect(await readAccountName(where(), 99_999)).toBeNull()
  })

  test.each([
    ['invoice', 4, '/invoices/4'],
    ['receipt', 4, '/receipts/4'],
    ['handover', 4, '/handovers/4'],
    ['stock-count', 4, '/books/entries/9'],
    ['own', null, '/books/entries/9'],
  ])('an entry of %s %s opens %s', (sourceKind, sourceId, href) => {
    expect(hrefOfSource({ id: 9, sourceKind, sourceId })).toBe(href)
  })
})

describe('the reports', () => {
  // The first count of the shelf is of the day before.
  const span = { from: day('2026-01-02'), to: TODAY }
  test('say one thing: income is what was invoiced, tax what was charged, and both sides agree', async () => {
    const profit = await profitAndLossView(s.db, span, 'USD')
    expect(profit.totals).toMatchObject({ income: '300.00', grossProfit: '300.00' })
    expect(profit.totals.profit).toBe((300 - Number(profit.totals.expenses)).toFixed(2))
    const tax = await taxView(s.db, span, 'USD')
    expect(tax.total).toBe('24.75') // 8.25 + 16.50
    expect(tax.rows).toMatchObject([{ code: 'STD', net: '300.00', tax: '24.75' }])
    const sheet = await balanceSheetView(s.db, TODAY, 'USD')
    expect(sheet.difference).toBe('0.00')
    const whole = await profitAndLossView(s.db, { ...span, from: day('2026-01-01') }, 'USD')
    expect(sheet.earnings).toBe(whole.totals.profit)
    const trial = await trialBalanceView(s.db, TODAY, 'USD')
    expect(trial).toMatchObject({ difference: '0.00', totals: { debit: trial.totals.credit } })
  })

  test('by month add up to the whole, account by account, and stand beside the same days before', async () => {
    const p = await readProfitByMonth(s.db, { from: day('2026-01-02'), to: day('2026-03-15') }, 'USD')
    expect(p.months.map((m) => [m.from, m.to])).toEqual([
      ['2026-01-02', '2026-01-31'],
      ['2026-02-01', '2026-02-28'],
      ['2026-03-01', '2026-03-15'],
    ])
    expect(p.months.map((m) => toDecimalString(m.report.totalIncome))).toEqual(['100.00', '200.00', '0.00'])
    for (const account of [...p.whole.income, ...p.whole.costOfGoods, ...p.whole.expenses]) {
      const parts = p.months.flatMap((m) =>
        [...m.report.income, ...m.report.costOfGoods, ...m.report.expenses].filter((r) => r.id === account.id),
      )
      const sum = sumMoney(
        parts.map((r) => r.amount),
        'USD',
      )
      expect(sum).toEqual(account.amount)
    }
    // The day before, the first count put 5 × 600.00 and 20 × 6.00 on the shelf.
    expect(toDecimalString(p.before.report.profit)).toBe('3120.00')
    expect(p.change).toEqual({ by: subtractMoney(p.before.report.profit, p.whole.profit), less: true })
    for (const m of p.months) expect(m.costs.minor + m.report.profit.minor).toBe(m.report.totalIncome.minor)
    // 73 days, and the 73 before them.
    expect([p.days, p.before.from, p.before.to]).toEqual([73, '2025-10-21', '2026-01-01'])
  })

  test('of cash open into the lines on the other side of it', async () => {
    const span = { from: day('2026-01-01'), to: day('2026-03-15') }
    const { parts, change, opening, closing } = await readCashFlow(s.db, span, 'USD')
    const rows = CASH_PARTS.flatMap((p) => parts[p].rows)
    expect(rows.length).toBeGreaterThan(0)
    const where = { db: s.db, business, today: TODAY, currency: 'USD' }
    for (const { id, amount } of rows) {
      const lines = await readJournalLines(where, { ...span, account: id, acrossCash: true }, {})
      const sum = sumMoney(
        lines.map((l) => l.amount),
        'USD',
      )
      expect(negateMoney(sum)).toEqual(amount)
    }
    expect(subtractMoney(closing, opening)).toEqual(change)
  })

  test('of cash by month are each month’s own, whole and before', async () => {
    const span = { from: day('2026-01-02'), to: day('2026-03-15') }
    const flow = await readCashFlowByMonth(s.db, span, 'USD')
    expect(flow.whole).toEqual(await readCashFlow(s.db, span, 'USD'))
    expect(flow.before.report).toEqual(await readCashFlow(s.db, flow.before, 'USD'))
    expect(flow.months.map((m) => [m.from, m.to])).toEqual([
      ['2026-01-02', '2026-01-31'],
      ['2026-02-01', '2026-02-28'],
      ['2026-03-01', '2026-03-15'],
    ])
    for (const { from, to, report } of flow.months) {
      expect(report).toEqual(await readCashFlow(s.db, { from, to }, 'USD'))
      expect(report.difference.minor).toBe(0n)
    }
    expect(flow.whole.difference.minor).toBe(0n)
  })

  test('of a month are that month’s', async () => {
    const of = async (from: string, to: string) =>
      (await profitAndLossView(s.db, { from: day(from), to: day(to) }, 'USD')).totals.income
    expect(await of('2026-01-01', '2026-01-31')).toBe('100.00')
    expect(await of('2026-02-01', '2026-02-28')).toBe('200.00')
    expect(await of('2026-03-01', '2026-03-31')).toBe('0.00')
  })
})
