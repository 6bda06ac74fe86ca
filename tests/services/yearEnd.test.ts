import { sql } from 'drizzle-orm'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { day, type Day } from '@/core/day'
import { listAccounts } from '@/data/queries/accounts'
import { listClosings } from '@/data/queries/closings'
import { findBusiness } from '@/data/queries/business'
import { PROFIT_BY } from '@/core/kinds'
import { readProfit } from '@/model/sale/profit'
import { balanceSheetView, profitAndLossView, readProfitAndLoss, trialBalanceView } from '@/model/books/books'
import { readYears } from '@/model/books/years'
import { closeYear, reopenYear } from '@/services/books/closeYear'
import { closePeriod, reopenPeriod } from '@/services/books/closePeriod'
import { addBankAccount } from '@/services/bank/keepBankAccount'
import { setBudget } from '@/services/books/setBudget'
import { addGoods } from '@/services/goods/keepGoods'
import { budgetView } from '@/model/books/budget'
import { findGoods } from '@/data/queries/goods'
import { addAccount, changeAccount, mergeAccount } from '@/services/books/keepAccount'
import { writeEntry } from '@/services/books/writeEntry'
import { sellAtCounter } from '@/services/money/sellAtCounter'
import { openTestShop, type TestShop } from './shop'

/** 2025: rental 1,000.00 in, rent 400.00 out. 2026: rental 50.00. Today is 20 March 2026. */
let s: TestShop
beforeEach(async () => {
  s = await openTestShop({ openingDate: '2025-01-01' })
  s.moveTo('2026-03-20')
  await own('2025-06-11', '1020', '4030', '1000.00')
  await own('2025-12-31', '6000', '1020', '400.00')
  await own('2026-01-05', '1020', '4030', '50.00')
})
afterEach(() => s.close())

const own = (on: string, debit: string, credit: string, amount: string) =>
  s.answer(writeEntry, {
    on,
    text: 'Own',
    lines: [
      { account: debit, debit: amount },
      { account: credit, credit: amount },
    ],
  })
const accountId = async (code: string) => (await listAccounts(s.db)).find((a) => a.code === code)!.id
const profit = async (from: string, to: string) =>
  (await profitAndLossView(s.db, { from: day(from), to: day(to) }, 'USD')).totals.profit
const retained = async (asOf: string) =>
  (await balanceSheetView(s.db, day(asOf), 'USD')).equity.find((r) => r.account === '3200')?.amount ?? '0.00'
const reports = async () => ({
  trial: await trialBalanceView(s.db, day('2026-03-20'), 'USD'),
  old: await trialBalanceView(s.db, day('2025-12-31'), 'USD'),
  sheet: await balanceSheetView(s.db, day('2026-03-20'), 'USD'),
  year: await profitAndLossView(s.db, { from: day('2025-01-01'), to: day('2025-12-31') }, 'USD'),
})

describe('a year', () => {
  test('is carried to retained earnings, and its profit and loss stays what it was', async () => {
    const before = await profitAndLossView(s.db, { from: day('2025-01-01'), to: day('2025-12-31') }, 'USD')
    const entry = await s.answer(closeYear, { year: 2025 })
    expect(entry.on).toBe('2025-12-31')
    expect(entry.lines.map((l) => [l.account, l.debit, l.credit])).toEqual([
      ['4030', '1000.00', '0.00'],
      ['6000', '0.00', '400.00'],
      ['3200', '0.00', '600.00'],
    ])
    expect(await profitAndLossView(s.db, { from: day('2025-01-01'), to: day('2025-12-31') }, 'USD')).toEqual(before)
    // Rent 400.00, rental 50.00, and 5 × 600.00 and 20 × 6.00 that were counted on New Year's Day.
    expect(await profit('2025-12-01', '2026-01-31')).toBe('2770.00')
    expect(await retained('2026-03-20')).toBe('600.00')
    const sheet = await balanceSheetView(s.db, day('2025-12-31'), 'USD')
    expect([sheet.earnings, sheet.difference]).toEqual(['0.00', '0.00'])
    expect(await s.ties()).toEqual([])
  })

  test('keeps its profit by everything it is told by, whole and in broken months', async () => {
    // Something of a sale in the month everything begins in.
    const lines = [{ description: 'A bow rehaired', quantity: '1', unitPrice: '10.00' }]
    await s.answer(sellAtCounter, { on: '2025-06-20', lines, method: 'card' })
    const [first] = await s.db.execute<{ day: Day }>(sql`select min(on_day)::text as day from entry`)
    expect(first!.day.slice(8)).not.toBe('01')
    const spans = [
      { from: day('2025-01-01'), to: day('2025-12-31') },
      { from: day('2025-05-10'), to: day('2026-01-20') },
      { from: day('2000-01-01'), to: day('2199-12-31') },
      // From the very first entry on, in the midst of its month: everything, and nothing of it twice.
      { from: first!.day, to: day('2199-12-31') },
    ]
    const told = () =>
      Promise.all(
        spans.map(async (span) => {
          const { grossProfit } = await readProfitAndLoss(s.db, span, 'USD')
          const by = await Promise.all(PROFIT_BY.map((b) => readProfit(s.db, b, span, 'USD')))
          return [grossProfit.minor, ...by.map((rows) => rows.reduce((sum, r) => sum + r.profit.minor, 0n))]
        }),
      )
    const before = await told()
    // 1,010.00 of 2025; with 50.00 of January and what was counted on New Year's Day, 5 × 600.00 and 20 × 6.00.
    expect(before).toEqual([101_000n, 418_000n, 418_000n, 418_000n].map((n) => [n, ...PROFIT_BY.map(() => n)]))
    await s.run(closeYear, { year: 2025 })
    expect(await told()).toEqual(before)
    await s.run(reopenYear, { year: 2025 })
    expect(await told()).toEqual(before)
  })

  test('closed, changes nothing of what a key was told; what was refused meanwhile is done under its key later', async () => {
    const told = await s.answer(writeEntry, ownOf('2025-12-30'), 'done before')
    await s.run(closeYear, { year: 2025 })
    expect(await s.answer(writeEntry, ownOf('2025-12-30'), 'done before')).toEqual(told)
    const refused = await writeEntry.answer(s.shop, ownOf('2025-12-29'), 'refused')
    expect(refused).toMatchObject({ ok: false, error: { code: 'period-closed' } })
    await s.run(reopenYear, { year: 2025 })
    const done = await s.answer(writeEntry, ownOf('2025-12-29'), 'refused')
    expect(await s.answer(writeEntry, ownOf('2025-12-29'), 'refused')).toEqual(done)
    expect(done).not.toEqual(told)
  })

  test('is closed with its period, and opened again nothing is left of it', async () => {
    const before = await reports()
    await s.run(closeYear, { year: 2025 })
    expect(await s.refusal(writeEntry, ownOf('2025-12-30'))).toBe('period-closed')
    expect(await s.refusal(closeYear, { year: 2025 })).toBe('year-is-closed')
    expect(await s.refusal(reopenPeriod, { through: '2025-11-30', reason: 'x', passphrase: 'a long passphrase' })).toBe(
      'year-is-closed',
    )
    await s.run(reopenYear, { year: 2025 })
    expect(await reports()).toEqual(before)
    expect((await findBusiness(s.db))!.closedThrough).toBeNull()
    expect((await listClosings(s.db)).map((c) => [c.kind, c.through])).toEqual([
      ['reopened', null],
      ['closed', '2025-12-31'],
    ])
    expect(await s.refusal(reopenYear, { year: 2025 })).toBe('year-not-closed')
    // And once more, with what came to light meanwhile.
    await own('2025-11-30', '6010', '1020', '100.00')
    await s.run(closeYear, { year: 2025 })
    expect(await retained('2026-01-01')).toBe('500.00')
  })

  test('closed within a period that was closed before leaves that period as it was', async () => {
    await s.run(closePeriod, { through: '2026-01-31' })
    await s.run(closeYear, { year: 2025 })
    await s.run(reopenYear, { year: 2025 })
    expect((await findBusiness(s.db))!.closedThrough).toBe('2026-01-31')
    expect(await retained('2026-03-20')).toBe('0.00')
  })

  test('that is not over, or in which nothing was, is not closed', async () => {
    expect(await s.refusal(closeYear, { year: 2026 })).toBe('year-not-over')
    expect(await s.refusal(closeYear, { year: 2024 })).toBe('nothing-in-year')
    expect(await s.refusal(closeYear, { year: 'x' })).toBe('invalid')
    const years = await readYears({ db: s.db, business: (await findBusiness(s.db))!, today: day('2026-03-20') })
    expect(years.map((y) => [y.year, y.profit.minor, y.entryId])).toEqual([[2025, 60000n, null]])
  })
})

const ownOf = (on: string, account = '6000') => ({
  on,
  text: 'Late',
  lines: [
    { account, debit: '1.00' },
    { account: '1020', credit: '1.00' },
  ],
})

describe('an account', () => {
  test('is added, renamed, hidden, and offered again', async () => {
    const added = await s.answer(addAccount, { code: '6040', name: 'Postage', type: 'expense' })
    expect(added).toMatchObject({ code: '6040', type: 'expense', hidden: false })
    expect(await s.refusal(addAccount, { code: '6040', name: 'x', type: 'asset' })).toBe('taken')
    await s.run(changeAccount, { accountId: added.id, name: 'Post and parcels', hidden: true })
    expect(await s.refusal(writeEntry, ownOf('2026-03-01', '6040'))).toBe('invalid')
    await s.run(changeAccount, { accountId: added.id, hidden: false })
    await s.run(writeEntry, ownOf('2026-03-01', '6040'))
    // It holds money now.
    expect(await s.refusal(changeAccount, { accountId: added.id, hidden: true })).toBe('invalid')
    expect(await s.refusal(changeAccount, { accountId: await accountId('1100'), hidden: true })).toBe(
      'account-is-needed',
    )
  })

  test('is merged into another: this year moves, earlier years stay as they were reported', async () => {
    await own('2026-02-01', '6000', '1020', '30.00')
    const rent = await accountId('6000')
    const into = await accountId('6030')
    expect(await s.refusal(mergeAccount, { accountId: rent, into: await accountId('1500'), reason: 'x' })).toBe(
      'invalid',
    )
    expect(await s.refusal(mergeAccount, { accountId: await accountId('2000'), into, reason: 'x' })).toBe(
      'account-is-needed',
    )
    await s.run(mergeAccount, { accountId: rent, into, reason: 'One is enough' })
    const expenses = async (from: string, to: string) =>
      (await profitAndLossView(s.db, { from: day(from), to: day(to) }, 'USD')).expenses.map((r) => [
        r.account,
        r.amount,
      ])
    expect(await expenses('2025-01-01', '2025-12-31')).toEqual([['6000', '400.00']])
    expect(await expenses('2026-01-01', '2026-03-20')).toEqual([['6030', '30.00']])
    expect((await listAccounts(s.db)).find((a) => a.id === rent)?.hidden).toBe(true)
  })

  test('with a budget takes it along from that year on, added to what the other is meant to come to', async () => {
    const [rent, into] = [await accountId('6000'), await accountId('6030')]
    for (const year of [2025, 2026, 2027])
      await s.run(setBudget, {
        year,
        lines: [
          { accountId: rent, amount: '500.00' },
          ...(year === 2026 ? [{ accountId: into, amount: '80.00' }] : []),
        ],
      })
    await s.run(mergeAccount, { accountId: rent, into, reason: 'One is enough' })
    const meant = async (year: number) => (await budgetView(s.db, year, 'USD')).lines.map((l) => [l.account, l.amount])
    expect(await Promise.all([2025, 2026, 2027].map(meant))).toEqual([
      [['6000', '500.00']],
      [['6030', '580.00']],
      [['6030', '500.00']],
    ])
  })

  test('of a bank is neither hidden nor merged away, and a hidden one is no account of a bank', async () => {
    await s.run(addBankAccount, { name: 'House bank' })
    const second = await s.answer(addBankAccount, { name: 'Savings' })
    const { id } = (await listAccounts(s.db)).find((a) => a.name === 'Savings')!
    const other = await s.answer(addAccount, { code: '1090', name: 'Deposit of rent', type: 'asset' })
    expect(second.accountId).toBe(id)
    await expect(s.run(changeAccount, { accountId: id, hidden: true })).rejects.toThrow(/the account of Savings/)
    await expect(s.run(mergeAccount, { accountId: id, into: other.id, reason: 'x' })).rejects.toThrow(/of Savings/)
    await s.run(changeAccount, { accountId: other.id, hidden: true })
    await expect(s.run(addBankAccount, { name: 'Third', accountId: other.id })).rejects.toThrow(/is hidden/)
  })

  test('that goods are sold into is not hidden; merged, they are sold into the other one', async () => {
    const lessons = await s.answer(addAccount, { code: '4090', name: 'Lessons', type: 'income' })
    const goods = await s.answer(addGoods, {
      code: 'LESSON',
      name: 'A lesson',
      kind: 'work',
      price: '40.00',
      incomeAccount: '4090',
    })
    await expect(s.run(changeAccount, { accountId: lessons.id, hidden: true })).rejects.toThrow(
      /A lesson is sold into it/,
    )
    await s.run(mergeAccount, { accountId: lessons.id, into: await accountId('4000'), reason: 'One is enough' })
    expect((await findGoods(s.db, [goods.id])).get(goods.id)?.incomeAccountId).toBe(await accountId('4000'))
  })
})
