import { beforeAll, describe, expect, test } from 'vitest'
import { runDuePlans } from '@/clockwork/runPlans'
import { day } from '@/core/day'
import { forecast, forecastInput } from '@/core/receivables'
import { sumMoney, toDecimalString, type Money } from '@/core/money'
import { type Business } from '@/data/queries/business'
import { invoices } from '@/api/lists/money'
import { AGE_GROUPS, ageBy } from '@/data/queries/receivables'
import { creditInvoice } from '@/services/billing/creditInvoice'
import { takeReceipt } from '@/services/money/takeReceipt'
import { readBackTests, readForecastFacts } from '@/model/receivables/expected'
import { keepView } from '@/services/views/keepView'
import { readOpenItems } from '@/model/receivables/openItems'
import { readOweMost, readPayHabits } from '@/model/receivables/payHabits'
import { readPlanBook } from '@/model/plan/planBook'
import { openSides, type Sides } from './sidesDesk'
import type { TestShop } from './shop'
import { deleteSavedView, listSavedViews } from '@/data/queries/savedView'
import { sumRole } from '@/data/queries/balances'
import { readLayawayBook } from '@/model/plan/layawayBook'
import { readHeldReport } from '@/model/held/heldReport'

let s: TestShop
let business: Business
let quick: number
let slow: number
let plan: number
let layaway: number
let onDay: Sides['onDay']

beforeAll(async () => {
  ;({ s, business, quick, slow, plan, layaway, onDay } = await openSides())
})

describe('the register of invoices', () => {
  const find = async (query: Record<string, string>) => {
    const where = { db: s.db, business, today: day('2026-03-20'), currency: 'USD' }
    const { rows, sums, count } = await invoices.read(where, query, 'all')
    // The sums are those of the rows, credit notes taken off.
    const signed = rows.reduce((sum, r) => sum + (r.kind === 'credit-note' ? -r.gross.minor : r.gross.minor), 0n)
    expect([count, sums.gross]).toEqual([rows.length, { minor: signed, currency: 'USD' }])
    expect((sums.open as Money).minor).toBe(rows.reduce((sum, r) => sum + r.open.minor, 0n))
    return rows
  }
  test.each([
    [{}, 12], // four and four paid, two open, the plan’s, the counter’s
    [{ state: 'open' }, 3],
    [{ state: 'late' }, 2], // due 11 March; the plan’s first row only in April
    [{ state: 'paid' }, 9],
    [{ kind: 'counter' }, 1],
    [{ from: '2026-03-01', to: '2026-03-01' }, 2],
    [{ least: '300.00', most: '500.00' }, 2],
    [{ search: 'sal bow' }, 5],
    [{ search: '2026-0001' }, 1],
    [{ state: 'nonsense', from: '2026-13-01', least: 'much' }, 12], // what is not understood is left out
  ])('%j finds %s', async (query, count) => {
    expect(await find(query as Record<string, string>)).toHaveLength(count)
  })
  test('by goods, and credited ones', async () => {
    const rows = await find({ goods: String(s.rosin) })
    expect(rows.map((r) => r.kind)).toEqual(['counter'])
    await onDay('2026-03-04', creditInvoice, { invoiceId: rows[0]!.id, reason: 'Broken', returnGoods: true })
    expect(await find({ state: 'credited' })).toHaveLength(1)
    expect(await find({ kind: 'credit-note' })).toHaveLength(1)
  })
  test('a list is kept by name, once, and forgotten', async () => {
    await s.run(keepView, { place: 'invoices', name: 'Late ones', query: 'state=open' })
    await s.run(keepView, { place: 'invoices', name: 'Late ones', query: 'state=late' })
    const views = await listSavedViews(s.db, 'invoices')
    expect(views.map((v) => [v.name, v.query])).toEqual([['Late ones', 'state=late']])
    await deleteSavedView(s.db, views[0]!.id)
    expect(await listSavedViews(s.db, 'invoices')).toEqual([])
  })
})

describe('what is owed, from every side', () => {
  const asOf = day('2026-03-20')
  test.each(AGE_GROUPS)('per %s it comes to the same, and to the accounts', async (group) => {
    const rows = await ageBy(s.db, { asOf, by: 'due', currency: 'USD', group })
    const sum = (key: 'total' | 'held' | 'onAccount') =>
      sumMoney(
        rows.map((r) => r[key]),
        'USD',
      ).minor
    expect(sum('total')).toBe((await sumRole(s.db, 'receivables', asOf, 'USD')).minor)
    expect(sum('held')).toBe(-(await sumRole(s.db, 'layaway-deposits', asOf, 'USD')).minor)
    expect(sum('onAccount')).toBe(-(await sumRole(s.db, 'on-account', asOf, 'USD')).minor)
    expect(sum('total')).toBe(30_000n + 50_000n + 66_000n)
  })
  test('own limits move the columns; a kind alone is what it is made of', async () => {
    const [row] = await ageBy(s.db, {
      asOf,
      by: 'due',
      currency: 'USD',
      group: 'kind',
      limits: [5, 10, 15],
      only: { kind: 'repairs' },
    })
    // 300.00 due 11 March, nine days late: the second column
    expect([row!.name, row!.d31to60.minor, row!.total.minor]).toEqual(['repairs', 30_000n, 30_000n])
  })
  test('held money by sale and customer equals its accounts on every day', async () => {
    for (const on of ['2026-03-01', '2026-03-02', '2026-03-03', '2026-12-31'].map(day)) {
      const { totals } = await readHeldReport(s.db, on, 'USD')
      expect(totals.layaway.minor).toBe(-(await sumRole(s.db, 'layaway-deposits', on, 'USD')).minor)
      expect(totals.account.minor).toBe(-(await sumRole(s.db, 'on-account', on, 'USD')).minor)
    }
    expect((await readHeldReport(s.db, day('2026-03-02'), 'USD')).lines).toMatchObject([
      { customer: 'Slow Sal', kind: 'layaway' },
    ])
  })
  test('the book of plans: paid, open, late, next and the end', async () => {
    const till = { db: s.db, today: day('2026-05-03') }
    await runDuePlans(till)
    await onDay('2026-04-02', takeReceipt, {
      method: 'cash',
      amount: '110.00',
      for: [{ saleId: plan, amount: '110.00' }],
    })
    const { rows, totals } = await readPlanBook(s.db, { ended: false }, business, till.today)
    // 660.00 in six of 110.00, one paid, May’s a day late; two of six charges of 10.00 earned
    expect(rows).toMatchObject([{ rowsLate: 1, next: '2026-06-02', ends: '2026-09-02', hasCard: false }])
    expect([totals.paid, totals.open, totals.late, totals.unearned].map(toDecimalString)).toEqual([
      '110.00',
      '550.00',
      '110.00',
      '40.00',
    ])
    expect((await readPlanBook(s.db, { ended: true }, business, till.today)).rows).toEqual([])
  })
  test('the book of layaways: who is behind comes first', async () => {
    // 100.00 at once, then 3 × 100.00 from 2 April; 150.00 came
    const { rows } = await readLayawayBook(s.db, business, day('2026-04-03'))
    expect(rows).toMatchObject([{ stands: 'behind', behindSince: '2026-04-02' }])
    expect(toDecimalString(rows[0]!.behind)).toBe('50.00')
  })
  test('what somebody could pay: a layaway takes any amount, and what is due of it is proposed', async () => {
    const open = (await readOpenItems(s.db, slow, business, day('2026-04-03')))!
    expect(open.items.at(-1)).toMatchObject({ saleId: layaway, open: '250.00', asked: '50.00' })
    expect(open.usually).toBe('Usually pays in 30 days')
  })
})

describe('expected money', () => {
  test('is made of what was known on the day, and moves each customer by their own delay', async () => {
    const facts = await readForecastFacts(s.db, day('2026-03-09'))
    expect(facts.lateness[quick]).toEqual([-2, -2, -2, -2])
    // Slow’s last bill was paid on 11 March: not known on the 9th.
    expect(facts.lateness[slow]).toEqual([20, 20, 20])
    expect([...facts.everybody].sort(([a], [b]) => a - b)).toEqual([
      [-2, 4],
      [20, 3],
    ])
    const weeks = forecast(forecastInput(facts, { weeks: 5, runs: 50 }))!
    // Quick’s 300.00, due 11 March, comes on the 9th; Slow’s 100.00 due 19 February by the 11th, in the same week.
    expect(weeks[0]).toMatchObject({ week: '2026-03-09', low: 40_000n, high: 40_000n })
    // Slow’s 500.00, due 11 March, comes on the 31st.
    // With it the first row of Quick’s plan, due 2 April and two days early: 110.00.
    expect(weeks[3]).toMatchObject({ week: '2026-03-30', median: 50_000n + 11_000n })
  })
  test('a forecast is held against what came on the same dues', async () => {
    const tests = await readBackTests(s.db, day('2026-03-23'), { times: 1, weeks: 4 })
    expect(tests).toHaveLength(1)
    const [t] = tests
    // On 23 February Slow’s bills of 2 and 9 February were open: 200.00 expected, and 200.00 came.
    expect([t!.from, t!.expected, t!.came, t!.inside]).toEqual(['2026-02-23', 20_000n, 20_000n, 4])
  })
  test('habits by month, and who owes most', async () => {
    const months = await readPayHabits(s.db, day('2026-03-20'), 3)
    // January: Quick’s two after 8 days. February: Quick’s two after 8, Slow’s two after 30: 19 days, half of it late.
    expect(months).toMatchObject([
      { days: 8, lateShare: 0 },
      { days: 19, lateShare: 50 },
      { days: 30, lateShare: 100 },
    ])
    const most = await readOweMost(s.db, day('2026-03-20'), 2, 'USD')
    expect(most[0]).toMatchObject({ name: 'Quick Quill' })
    expect(most.map((m) => m.owed.at(-1)!.minor)).toEqual([30_000n + 66_000n, 50_000n])
  })
})
