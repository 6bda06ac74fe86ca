import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { findList } from '@/api/lists'
import { asCsv } from '@/api/lists/files'
import { day } from '@/core/day'
import { listAccounts } from '@/data/queries/accounts'
import { findBusiness } from '@/data/queries/business'
import { budgetView, readBudgetPage } from '@/model/books/budget'
import { profitAndLossView } from '@/model/books/books'
import { setBudget } from '@/services/books/setBudget'
import { writeEntry } from '@/services/books/writeEntry'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
beforeEach(async () => {
  s = await openTestShop({ openingDate: '2025-01-01' })
})
afterEach(() => s.close())

const idOf = async (code: string) => (await listAccounts(s.db)).find((a) => a.code === code)!.id
const own = (on: string, debit: string, credit: string, amount: string) =>
  s.run(writeEntry, {
    on,
    text: 'Own',
    lines: [
      { account: debit, debit: amount },
      { account: credit, credit: amount },
    ],
  })
const report = (from: string, to: string) => profitAndLossView(s.db, { from: day(from), to: day(to) }, 'USD')

describe('a budget', () => {
  test('of a year stands beside the profit and loss of any days, on the same lines', async () => {
    const lines = [
      { accountId: await idOf('4030'), amount: '2400.00' },
      { accountId: await idOf('5000'), amount: '600.00' },
      { accountId: await idOf('6000'), amount: '1200.00' },
    ]
    expect((await report('2026-01-01', '2026-01-31')).budget).toBeNull()
    const set = await s.answer(setBudget, { year: 2026, lines })
    expect(set.lines.map((l) => [l.account, l.amount])).toEqual([
      ['4030', '2400.00'],
      ['5000', '600.00'],
      ['6000', '1200.00'],
    ])
    // A twelfth each: 200.00 less 50.00 less 100.00.
    expect((await report('2026-02-01', '2026-02-28')).budget).toEqual({
      income: [{ account: '4030', name: 'Rental', amount: '200.00' }],
      costOfGoods: [{ account: '5000', name: 'Cost of goods sold', amount: '50.00' }],
      expenses: [{ account: '6000', name: 'Rent', amount: '100.00' }],
      totals: { income: '200.00', grossProfit: '150.00', expenses: '100.00', profit: '50.00' },
    })
    expect((await report('2026-01-01', '2026-12-31')).budget!.totals.profit).toBe('600.00')
    expect((await report('2025-01-01', '2025-12-31')).budget).toBeNull()
  })

  test('is replaced whole, each year for itself', async () => {
    const [rent, power] = [await idOf('6000'), await idOf('6010')]
    await s.run(setBudget, { year: 2025, lines: [{ accountId: rent, amount: '1.00' }] })
    await s.run(setBudget, { year: 2026, lines: [{ accountId: rent, amount: '2.00' }] })
    await s.run(setBudget, {
      year: 2026,
      lines: [
        { accountId: power, amount: '3.00' },
        { accountId: rent, amount: '0' },
      ],
    })
    const told = async (year: number) =>
      (await budgetView(s.db, year, 'USD')).lines.map((l) => `${l.account} ${l.amount}`)
    expect([await told(2025), await told(2026)]).toEqual([['6000 1.00'], ['6010 3.00']])
    await s.run(setBudget, { year: 2026, lines: [] })
    expect(await told(2026)).toEqual([])
  })

  test('of what takes off, as returns do, is below zero', async () => {
    const lines = [
      { accountId: await idOf('4030'), amount: '1200.00' },
      { accountId: await idOf('4100'), amount: '-120.01' },
    ]
    const set = await s.answer(setBudget, { year: 2026, lines })
    expect(set.lines.map((l) => l.amount)).toEqual(['1200.00', '-120.01'])
    // A twelfth of 120.01 is 10.00 and the leftover cent is January's: 100.00 less 10.01.
    expect((await report('2026-01-01', '2026-01-31')).budget!.totals.income).toBe('89.99')
    expect((await report('2026-01-01', '2026-12-31')).budget!.totals.income).toBe('1079.99')
  })

  test('is for income and expenses, once each, and an amount', async () => {
    const rent = await idOf('6000')
    const refused = (...lines: { accountId: number; amount: string }[]) => s.refusal(setBudget, { year: 2026, lines })
    expect(await refused({ accountId: await idOf('1020'), amount: '1.00' })).toBe('invalid')
    expect(await refused({ accountId: 9999, amount: '1.00' })).toBe('invalid')
    expect(await refused({ accountId: rent, amount: '1.00' }, { accountId: rent, amount: '2.00' })).toBe('invalid')
    expect(await refused({ accountId: rent, amount: 'a lot' })).toBe('invalid')
    expect(await s.refusal(setBudget, { year: 1066, lines: [] })).toBe('invalid')
  })

  test('is written beside the year before, and goes into the file with what is over it', async () => {
    await own('2025-05-01', '6000', '1020', '1100.00')
    await own('2026-01-15', '6000', '1020', '120.00')
    await s.run(setBudget, {
      year: 2026,
      lines: [
        { accountId: await idOf('6000'), amount: '1200.00' },
        { accountId: await idOf('4030'), amount: '240.00' },
      ],
    })
    const where = { db: s.db, business: (await findBusiness(s.db))!, today: s.shop.today, currency: 'USD' }
    const rows = await readBudgetPage(where, 2026)
    expect(rows.find((r) => r.code === '6000')).toMatchObject({ before: '1100.00', amount: '1200.00', income: false })
    expect(rows.find((r) => r.code === '4030')).toMatchObject({ before: '0.00', amount: '240.00', income: true })
    expect(rows.some((r) => r.code === '1020')).toBe(false)
    const { list, read } = findList('profit-and-loss')!
    const file = asCsv(list, await read(where, { from: '2026-01-02', to: '2026-01-31' }, 'all'), where)
    // 30 of 31 days of 20.00 and of 100.00.
    expect(file.split('\r\n')).toEqual([
      'part,account,name,amount,budget,over',
      'income,4030,Rental,0.00,19.35,-19.35',
      'expenses,6000,Rent,120.00,96.77,23.23',
      'profit,,,-120.00,-77.42,-42.58',
    ])
  })
})
