import { s, openDesk, onDay, refusedOn, see, stands, moved, agreed, billed } from './moneyDesk'
import { beforeAll, describe, expect, test } from 'vitest'
import { addDays, day, type Day } from '@/core/day'
import { toDecimalString } from '@/core/money'
import { findBusiness } from '@/data/queries/business'
import { listCollections, listPlansOfSales, sumPlanCharge } from '@/data/queries/plans'
import { readSheet } from '@/model/sale/readSheet'
import { billSale } from '@/services/billing/billSale'
import { creditInvoice } from '@/services/billing/creditInvoice'
import { chargeLate } from '@/services/money/chargeExtra'
import { takeReceipt } from '@/services/money/takeReceipt'
import { keepCardForPlan, payOffPlan, quotePlanPayoff, reschedulePlan } from '@/services/plans/changePlan'
import { giveUpLayaway } from '@/services/plans/giveUpLayaway'
import { runDuePlans } from '@/clockwork/runPlans'
import { beginPagePayment } from '@/services/customerPage/payOnPage'
import { settleCardPayment } from '@/services/money/cardPayment'
import { beginCollection } from '@/services/plans/runPlans'
import { giveLink } from '@/services/post/links'
import { keepCard } from '@/standins/card/askCard'
import { handOver } from '@/services/sales/handOver'
import { listOpenDues } from '@/data/queries/due'

beforeAll(openDesk)

describe('layaway', () => {
  // 900.00 + 74.25 = 974.25; 20 % first = 194.85; the rest 779.40 in three: 259.80 each.
  const layaway = (fee?: unknown) =>
    agreed('900.00', { kind: 'layaway', firstPercent: '20', months: 3, every: 'month', graceDays: 5, fee })
  const pay = (saleId: number, on: string, amount: string) =>
    onDay(on, takeReceipt, { method: 'cash', amount, for: [{ saleId, amount }] })

  test('paid in any size, goods stay until all of it came; then the bill is made with them and nothing remains', async () => {
    const sale = await layaway()
    expect((await see(sale.id, '2026-03-01')).next).toMatchObject([{ action: 'ask-deposit', amount: '194.85' }])
    await pay(sale.id, '2026-03-01', '200.00')
    expect(await refusedOn('2026-03-02', handOver, { saleId: sale.id })).toBe('layaway-not-paid-up')
    expect(await refusedOn('2026-03-02', billSale, { saleId: sale.id, what: 'remaining', issue: true })).toBe(
      'layaway-billed-at-handover',
    )
    // By 7 April (1 April and five days passed) 454.65 were due: 254.65 are missing.
    expect((await see(sale.id, '2026-04-07')).next[0]).toMatchObject({
      action: 'ask-deposit',
      why: 'Layaway behind since 1 Apr 2026',
      amount: '254.65',
    })
    expect(
      await refusedOn('2026-04-08', takeReceipt, {
        method: 'cash',
        amount: '774.26',
        for: [{ saleId: sale.id, amount: '774.26' }],
      }),
    ).toBe('more-than-open')
    expect((await stands('2110')) < 0n).toBe(true)
    await pay(sale.id, '2026-04-08', '774.25')
    expect((await see(sale.id, '2026-04-08')).next[0]!.why).toContain('Layaway paid up')
    const change = await moved(['2110', '4010', '2201', '1100'], () =>
      onDay('2026-04-09', handOver, { saleId: sale.id }),
    )
    expect(change).toEqual([97_425n, -90_000n, -7425n, 0n])
    expect((await see(sale.id, '2026-04-09')).stands).toBe('settled')
  })

  test('is planned with what is still to come of it: nothing that was paid ahead, and what is not paid in time', async () => {
    const sale = await layaway()
    // 194.85 and 259.80, and 45.35 of the payment of 1 May.
    await pay(sale.id, '2026-03-02', '500.00')
    const business = (await findBusiness(s.db))!
    const planned = async (on: string) =>
      (await readSheet(s.db, sale.id, business, day(on)))!.planned.map((p) => [
        p.on,
        p.text,
        toDecimalString(p.amount!),
      ])
    expect(await planned('2026-03-03')).toEqual([
      ['2026-05-01', 'Layaway payment', '214.45'],
      ['2026-06-01', 'Layaway payment', '259.80'],
    ])
    expect((await planned('2026-05-02'))[0]).toEqual(['2026-05-01', 'Layaway payment, not paid yet', '214.45'])
  })

  test.each([
    [undefined, '0.00', '300.00'],
    [{ amount: '25.00' }, '25.00', '275.00'],
    [{ percent: '10' }, '97.43', '202.57'], // 10 % of 974.25 = 97.425, half away from zero
    [{ percent: '80' }, '300.00', '0.00'], // never more than was paid
  ])('given up with fee %j: %s kept, %s back', async (fee, kept, back) => {
    const sale = await layaway(fee)
    await pay(sale.id, '2026-03-10', '300.00')
    const done = await onDay('2026-03-20', giveUpLayaway, { saleId: sale.id })
    expect(done).toMatchObject({ paid: '300.00', fee: kept, refund: back })
    expect(await see(sale.id, '2026-03-20')).toMatchObject({ stands: 'cancelled', money: { held: '0.00' } })
    expect(await refusedOn('2026-03-20', giveUpLayaway, { saleId: sale.id })).toBe('sale-closed')
  })

  test('goods go early where the rest becomes installments', async () => {
    const sale = await layaway()
    await pay(sale.id, '2026-03-10', '374.25')
    await onDay('2026-03-20', handOver, {
      saleId: sale.id,
      turnInto: { kind: 'installments', firstPayment: '374.25', count: 3, every: 'month', firstDue: '2026-04-20' },
    })
    // 974.25 − 374.25 = 600.00 in three
    expect(await see(sale.id, '2026-03-20')).toMatchObject({ stands: 'owing', money: { open: '600.00', held: '0.00' } })
    await onDay('2026-03-21', payOffPlan, { saleId: sale.id, method: 'cash' })
  })
})

describe('installments', () => {
  const plan = {
    kind: 'installments',
    count: 12,
    every: 'month',
    firstDue: '2026-04-01',
    charge: { yearlyRate: '0.12' },
  }
  /** 1,662.82 + 8.25 % (137.18) = 1,800.00 */
  const financed = async (more: Record<string, unknown> = {}) => {
    const sale = await agreed('1662.82', { ...plan, ...more })
    const change = await moved(['1100', '2160'], () => billed(sale.id, '2026-03-01'))
    return { sale, change }
  }

  test('the charge is owed from the start and earned row by row', async () => {
    const { sale, change } = await financed()
    // 11 × 159.93 and 159.90 = 1,919.13: 119.13 of charge
    expect(change).toEqual([191_913n, -11_913n])
    expect(await see(sale.id, '2026-03-01')).toMatchObject({ money: { open: '1919.13', billed: '1919.13' } })
    // Rows of April and May: 18.00 and 16.58 (1 % of 1,658.07)
    const earned = await moved(['2160', '4200'], async () => {
      const till = { db: s.db, today: day('2026-05-01') }
      expect(await runDuePlans(till)).toMatchObject({ earned: 2 })
      expect(await runDuePlans(till)).toMatchObject({ earned: 0 })
    })
    expect(earned).toEqual([3458n, -3458n])
    expect(await stands('2160', '2026-04-30')).toBe(-11_913n + 1800n)
    // Any size: 200.00 fills April's row and 40.07 of May's.
    await onDay('2026-05-02', takeReceipt, {
      method: 'cash',
      amount: '200.00',
      for: [{ saleId: sale.id, amount: '200.00' }],
    })
    const open = (await listOpenDues(s.db, s.customer, 'USD')).filter((d) => d.saleId === sale.id)
    expect([open[0]!.dueOn, open[0]!.open.minor]).toEqual(['2026-05-01', 11_986n])
    await onDay('2026-05-03', payOffPlan, { saleId: sale.id, method: 'transfer' })
  })

  test('paid off early: what is not earned is given back, and the rest settles it', async () => {
    const { sale } = await financed()
    for (const on of ['2026-04-01', '2026-05-01', '2026-06-01'])
      await onDay(on, takeReceipt, { method: 'cash', amount: '159.93', for: [{ saleId: sale.id, amount: '159.93' }] })
    // After three rows 1,369.94 of principal is open; 49.73 of 119.13 is earned, 69.40 is given back.
    expect(await onDay('2026-06-01', quotePlanPayoff, { saleId: sale.id })).toMatchObject({
      payoff: '1369.94',
      givenBack: '69.40',
    })
    const change = await moved(['2160', '4200', '1100', '1000'], () =>
      onDay('2026-06-01', payOffPlan, { saleId: sale.id, method: 'cash' }),
    )
    // All 119.13 unearned before (nothing was earned by the clock yet): 49.73 earned, 69.40 given back.
    expect(change).toEqual([11_913n, -4973n, -6940n - 136_994n, 136_994n])
    expect(await see(sale.id, '2026-06-01')).toMatchObject({
      stands: 'settled',
      money: { open: '0.00', billed: '1849.73' },
    })
    expect(await refusedOn('2026-06-02', payOffPlan, { saleId: sale.id })).toBe('no-plan')
  })

  test('a late row: late charge after the grace days, once; then the rest is arranged anew and adds up', async () => {
    const { sale } = await financed({
      charge: { flat: '120.00' },
      graceDays: 10,
      lateCharge: { percent: '5' },
    })
    // 1,920.00 in 12 × 160.00, of which 10.00 charge
    expect((await see(sale.id, '2026-04-11')).next.map((n) => n.action)).not.toContain('charge-late')
    expect((await see(sale.id, '2026-04-12')).next.find((n) => n.action === 'charge-late')).toMatchObject({
      amount: '8.00',
    })
    const dueId = (await listOpenDues(s.db, s.customer, 'USD')).find((d) => d.saleId === sale.id)!.id
    expect(await moved(['1100', '4210'], () => onDay('2026-04-12', chargeLate, { dueId }))).toEqual([800n, -800n])
    expect(await refusedOn('2026-04-12', chargeLate, { dueId })).toBe('charged-already')
    const unchanged = await moved(['1100', '2160', '4200'], async () => {
      const anew = await onDay('2026-04-15', reschedulePlan, {
        saleId: sale.id,
        count: 16,
        every: 'month',
        firstDue: '2026-05-15',
      })
      // 1,920.00 over 16: 120.00 each, the charge along
      expect(anew.rows.map((r) => r.payment)).toEqual(Array.from({ length: 16 }, () => '120.00'))
      expect(anew.totalPayments).toBe('1920.00')
    })
    // April's 10.00 was earned on 1 April; else nothing is posted.
    expect(unchanged).toEqual([0n, 1000n, -1000n])
    const [old, next] = await listPlansOfSales(s.db, [sale.id], 'USD')
    expect([old!.endedAs, next!.replacesId]).toEqual(['rescheduled', old!.id])
    expect((await sumPlanCharge(s.db, next!.id, 'USD')).unearned.minor).toBe(11_000n)
    expect((await see(sale.id, '2026-04-16')).money).toMatchObject({ open: '1928.00', late: '8.00' })
    // With a charge made anew the old one is given back first: 12 April to 1 March next year is no matter of ours here.
    await onDay('2026-04-20', reschedulePlan, {
      saleId: sale.id,
      count: 2,
      every: 'month',
      firstDue: '2026-05-20',
      charge: { flat: '10.00' },
    })
    expect(await s.ties()).toEqual([])
    await onDay('2026-04-21', payOffPlan, { saleId: sale.id, method: 'card' })
    await onDay('2026-04-21', takeReceipt, {
      method: 'cash',
      amount: '8.00',
      for: [{ saleId: sale.id, amount: '8.00' }],
    })
  })

  test('collected by itself from a kept card; a refused one leaves the row open and says why', async () => {
    const { sale } = await financed({ count: 3, charge: undefined })
    expect(
      await refusedOn('2026-03-02', keepCardForPlan(keepCard), { saleId: sale.id, number: '4000 0000 0000' }),
    ).toBe('invalid')
    await onDay('2026-03-02', keepCardForPlan(keepCard), { saleId: sale.id, number: '4000 0000 0000 0001' })
    const at = (today: string) => runDuePlans({ db: s.db, today: day(today) })
    expect(await at('2026-03-31')).toMatchObject({ collected: 0, refused: 0 })
    expect(await at('2026-04-01')).toMatchObject({ collected: 0, refused: 1 })
    expect(await at('2026-04-02')).toMatchObject({ refused: 0 })
    expect((await see(sale.id, '2026-04-02')).next[0]).toMatchObject({ action: 'card-refused', amount: '600.00' })
    await onDay('2026-04-03', keepCardForPlan(keepCard), { saleId: sale.id, number: '4000 0000 0000 1111' })
    expect(await at('2026-04-04')).toMatchObject({ collected: 1 })
    expect(await at('2026-04-04')).toMatchObject({ collected: 0 })
    expect((await see(sale.id, '2026-04-04')).money.open).toBe('1200.00')
    await onDay('2026-04-05', payOffPlan, { saleId: sale.id, method: 'card' })
  })

  test('whatever happens while its card is asked, what came is in the books once', async () => {
    const { sale } = await financed({ count: 3, charge: undefined })
    await onDay('2026-03-02', keepCardForPlan(keepCard), { saleId: sale.id, number: '4000 0000 0000 1111' })
    const april = { db: s.db, today: day('2026-04-01') }
    const [row, next] = (await listOpenDues(s.db, sale.customerId, 'USD')).filter((d) => d.saleId === sale.id)
    const asked = await onDay('2026-04-01', beginCollection, { dueId: row!.id })
    expect(asked).toMatchObject({ amount: '600.00' })
    // The program ends, and begins again: the same payment is asked for.
    expect(await onDay('2026-04-01', beginCollection, { dueId: row!.id })).toEqual(asked)
    // They pay the row by themselves before the card answers: its money goes on to the next one.
    const paid = { method: 'cash' as const, amount: '600.00', for: [{ dueId: row!.id, amount: '600.00' }] }
    await onDay('2026-04-01', takeReceipt, paid)
    expect(await runDuePlans(april)).toMatchObject({ collected: 1 })
    expect(await runDuePlans(april)).toMatchObject({ collected: 0 })
    await onDay('2026-04-01', settleCardPayment, { reference: asked.reference, approved: true })
    expect((await see(sale.id, '2026-04-01')).money.open).toBe('600.00')
    expect((await listOpenDues(s.db, sale.customerId, 'USD')).map((d) => d.id)).not.toContain(next!.id)
    expect(await refusedOn('2026-04-01', beginCollection, { dueId: next!.id })).toBe('nothing-open')
    await onDay('2026-04-01', payOffPlan, { saleId: sale.id, method: 'card' })
  })

  test('what a card refused stays refused, whoever says otherwise later', async () => {
    const { sale } = await financed({ count: 2, charge: undefined })
    await onDay('2026-03-02', keepCardForPlan(keepCard), { saleId: sale.id, number: '4000 0000 0000 1111' })
    const [row] = (await listOpenDues(s.db, sale.customerId, 'USD')).filter((d) => d.saleId === sale.id)
    const { reference } = await onDay('2026-04-01', beginCollection, { dueId: row!.id })
    await onDay('2026-04-01', settleCardPayment, { reference, approved: false, why: 'there is not enough on it.' })
    expect(await onDay('2026-04-02', settleCardPayment, { reference, approved: true })).toBeNull()
    expect((await see(sale.id, '2026-04-02')).money.open).toBe('1800.00')
    expect((await listCollections(s.db, [row!.id])).map((c) => [c.on, c.approved])).toEqual([['2026-04-01', false]])
    await onDay('2026-04-03', payOffPlan, { saleId: sale.id, method: 'card' })
  })

  test('nothing is collected while they pay on their own page', async () => {
    const { sale } = await financed({ count: 2, charge: undefined })
    await onDay('2026-03-02', keepCardForPlan(keepCard), { saleId: sale.id, number: '4000 0000 0000 1111' })
    const { address } = await onDay('2026-03-02', giveLink, { saleId: sale.id })
    const token = address.split('/c/')[1]!
    const { reference } = await onDay('2026-04-01', beginPagePayment, { token, what: 'open', amount: '100.00' })
    const april = { db: s.db, today: day('2026-04-01') }
    expect(await runDuePlans(april)).toMatchObject({ collected: 0, refused: 0 })
    await onDay('2026-04-01', settleCardPayment, { reference, approved: true })
    expect(await runDuePlans(april)).toMatchObject({ collected: 1 })
    await onDay('2026-04-01', payOffPlan, { saleId: sale.id, method: 'card' })
  })

  test('credited in whole, the charge that is not earned ends with it', async () => {
    const { sale } = await financed({ charge: { flat: '90.00' } })
    const invoiceId = (await see(sale.id, '2026-03-01')).invoices[0]!.id
    await onDay('2026-03-01', creditInvoice, { invoiceId, reason: 'Sent back' })
    expect(await see(sale.id, '2026-03-01')).toMatchObject({ money: { open: '0.00' } })
    expect(await s.ties()).toEqual([])
  })
})

test('after all of it every tie is zero, on every day', async () => {
  expect(await s.ties()).toEqual([])
  for (let on: Day = day('2026-03-01'); on < '2026-07-05'; on = addDays(on, 9)) expect(await s.ties(on)).toEqual([])
})
