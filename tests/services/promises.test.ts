import { beforeAll, describe, expect, test } from 'vitest'
import { addDays, day, type Day } from '@/core/day'
import { findBusiness, type Business } from '@/data/queries/business'
import { listPlansOfSales, sumPlanCharge } from '@/data/queries/plans'
import { changeSettings } from '@/services/access/changeSettings'
import { billSale } from '@/services/billing/billSale'
import { creditInvoice } from '@/services/billing/creditInvoice'
import { promisePay } from '@/services/chase/promisePay'
import { remind } from '@/services/chase/remind'
import type { Command } from '@/services/command'
import { chargeLate } from '@/services/money/chargeExtra'
import { moveHeld } from '@/services/money/moveHeld'
import { refundHeld } from '@/services/money/refundHeld'
import { sellAtCounter } from '@/services/money/sellAtCounter'
import { takeReceipt } from '@/services/money/takeReceipt'
import { bounceReceipt, voidReceipt } from '@/services/money/voidReceipt'
import { writeOffDue, writeOffRests } from '@/services/money/writeOff'
import { addCustomer } from '@/services/people/keepCustomer'
import { keepCardForPlan, payOffPlan, quotePlanPayoff, reschedulePlan } from '@/services/plans/changePlan'
import { giveUpLayaway } from '@/services/plans/giveUpLayaway'
import { runDuePlans } from '@/clockwork/runPlans'
import { keepCard } from '@/standins/card/askCard'
import { taxView } from '@/model/books/books'
import { readStatement } from '@/model/receivables/statement'
import { saleView } from '@/model/sale/saleView'
import { cancelSale } from '@/services/sales/closeSale'
import { handOver } from '@/services/sales/handOver'
import { requestDeposit } from '@/services/sales/requestDeposit'
import { startSale } from '@/services/sales/startSale'
import { countDrawer, moveDrawer, readDrawer } from '@/services/till/drawer'
import { bankSlip, settleCards } from '@/services/till/toBank'
import { openTestShop, type TestShop } from './shop'
import { listOpenDues } from '@/data/queries/due'
import { sumAccounts } from '@/data/queries/balances'
import { sentence } from '@/contract/sentences'

let s: TestShop
let business: Business
beforeAll(async () => {
  s = await openTestShop()
  business = (await findBusiness(s.db))!
})

/** Does something on a day of its own. */
const onDay = async <I, A>(today: string, command: Command<I, A>, input: I): Promise<A> => {
  const done = await command.answer({ db: s.db, today: day(today) }, input, null)
  if (!done.ok) throw new Error(sentence(done.error))
  return done.value
}
const refusedOn = async <I, A>(today: string, command: Command<I, A>, input: unknown): Promise<string> => {
  const done = await command.answer({ db: s.db, today: day(today) }, input, null)
  return done.ok ? 'not refused' : done.error.code
}
const see = async (saleId: number, today: string) => (await saleView(s.db, saleId, business, day(today)))!
/** What an account stands at, in debit, minor units. */
const stands = async (code: string, asOf = '2199-01-01'): Promise<bigint> => {
  const sum = (await sumAccounts(s.db, { to: day(asOf) }, 'USD')).find((a) => a.code === code)
  return sum ? sum.debit.minor - sum.credit.minor : 0n
}
/** How much accounts moved while something happened. */
const moved = async (codes: readonly string[], work: () => Promise<unknown>): Promise<bigint[]> => {
  const before = await Promise.all(codes.map((c) => stands(c)))
  await work()
  return Promise.all(codes.map(async (c, i) => (await stands(c)) - before[i]!))
}
const work = (price: string, more: Record<string, unknown> = {}) => ({
  description: 'Restoring a cello',
  quantity: '1',
  unitPrice: price,
  ...more,
})
const agreed = (price: string, arrangement: unknown, customerId = s.customer) =>
  onDay('2026-03-01', startSale, {
    customerId,
    agreed: true,
    lines: [work(price)],
    arrangement: arrangement as never,
  })
/** Handed over and billed on a day. */
const billed = async (saleId: number, on: string) => {
  await onDay(on, handOver, { saleId })
  return onDay(on, billSale, { saleId, what: 'handed-over', issue: true })
}

describe('on terms with a discount for paying early', () => {
  // 1,000.00 + 8.25 % = 1,082.50. 2 % of it: 21.65, of which tax 21.65 × 82.50 ÷ 1,082.50 = 1.65 and net 20.00.
  const terms = { kind: 'terms', net: 30, discountPercent: '2', discountDays: 10 }
  test('in time it is taken by itself, and its tax comes back', async () => {
    const sale = await agreed('1000.00', terms)
    await billed(sale.id, '2026-03-05')
    let receipt: Awaited<ReturnType<typeof take>> | undefined
    const take = (on: string) =>
      onDay(on, takeReceipt, { customerId: s.customer, method: 'transfer', amount: '1060.85' })
    const change = await moved(['1020', '1100', '4110', '2201'], async () => (receipt = await take('2026-03-15')))
    expect(change).toEqual([106_085n, -108_250n, 2000n, 165n])
    expect(receipt).toMatchObject({ discount: '21.65', onAccount: '0.00' })
    expect((await see(sale.id, '2026-03-15')).stands).toBe('settled')
    const tax = await taxView(s.db, { from: day('2026-03-15'), to: day('2026-03-15') }, 'USD')
    expect(tax.rows).toMatchObject([{ component: 'Tax', net: '-20.00', tax: '-1.65' }])
    // Taken back, everything is as before: the discount too.
    const back = await moved(['1100', '4110', '2201'], () =>
      onDay('2026-03-16', voidReceipt, { receiptId: receipt!.id, reason: 'wrong customer' }),
    )
    expect(back).toEqual([108_250n, -2000n, -165n])
    // A day too late there is none: 1,060.85 leaves 21.65 open.
    expect(await take('2026-03-16')).toMatchObject({ discount: '0.00' })
    expect((await see(sale.id, '2026-03-16')).money.open).toBe('21.65')
    await onDay('2026-03-17', takeReceipt, { customerId: s.customer, method: 'cash', amount: '21.65' })
  })
  test('two monthly halves age on their own days', async () => {
    const sale = await agreed('1000.01', { kind: 'terms', net: 14, parts: 2, every: 'month' })
    // 1,000.01 × 1.0825 = 1,082.510825 → 1,082.51: halves of 541.26 and 541.25
    const bill = await billed(sale.id, '2026-03-10')
    expect(bill.dues).toMatchObject([
      { due: '2026-03-24', amount: '541.26', label: 'part 1 of 2' },
      { due: '2026-04-24', amount: '541.25' },
    ])
    expect((await see(sale.id, '2026-03-30')).money.late).toBe('541.26')
    await onDay('2026-03-30', takeReceipt, { customerId: s.customer, method: 'transfer', amount: '1082.51' })
  })
})

describe('deposits', () => {
  test('100 % with tax leaves exactly nothing on the bill', async () => {
    // 2,880.00 + 8.25 % = 237.60 → 3,117.60
    const sale = await agreed('2880.00', { kind: 'deposit', percent: '100' })
    const came = await moved(['1020', '2100'], () =>
      onDay('2026-03-02', takeReceipt, { customerId: s.customer, method: 'transfer', amount: '3117.60' }),
    )
    expect(came).toEqual([311_760n, -311_760n])
    expect(await billed(sale.id, '2026-03-20')).toMatchObject({ heldApplied: '3117.60', open: '0.00' })
    expect((await see(sale.id, '2026-03-20')).stands).toBe('settled')
  })

  // 1,200.00 in four quantities of 300.00; with tax 1,299.00; 40 % = 519.60. Bills of 1, 1 and 2 quarters: 324.75, 324.75, 649.50.
  const quarters = (apply: string) =>
    onDay('2026-03-01', startSale, {
      customerId: s.customer,
      agreed: true,
      lines: [{ ...work('300.00'), quantity: '4' }],
      arrangement: { kind: 'deposit', percent: '40', apply } as never,
    })
  test.each([
    ['first', ['324.75', '194.85', '0.00']],
    ['in-proportion', ['129.90', '129.90', '259.80']],
  ])('40 %% over three part invoices, %s', async (apply, put) => {
    const sale = await quarters(apply)
    await onDay('2026-03-02', takeReceipt, {
      method: 'card',
      amount: '519.60',
      for: [{ saleId: sale.id, amount: '519.60' }],
    })
    const lineId = sale.lines[0]!.id
    const applied = []
    for (const quantity of ['1', '1', '2']) {
      await onDay('2026-03-03', handOver, { saleId: sale.id, lines: [{ lineId, quantity }] })
      const bill = await onDay('2026-03-03', billSale, { saleId: sale.id, what: 'handed-over', issue: true })
      applied.push(bill.heldApplied)
    }
    expect(applied).toEqual(put)
    // 1,299.00 − 519.60
    expect((await see(sale.id, '2026-03-03')).money).toMatchObject({ open: '779.40', held: '0.00' })
    await onDay('2026-03-04', takeReceipt, {
      method: 'card',
      amount: '779.40',
      for: [{ saleId: sale.id, amount: '779.40' }],
    })
  })

  test('stages are asked one after the other', async () => {
    const sale = await agreed('1000.00', {
      kind: 'deposit',
      stages: [{ percent: '30' }, { amount: '400.00', when: 'when the wood arrives' }],
    })
    // 30 % of 1,082.50 = 324.75
    expect(await onDay('2026-03-02', requestDeposit, { saleId: sale.id, stage: 1 })).toMatchObject({ amount: '324.75' })
    expect(await onDay('2026-03-02', requestDeposit, { saleId: sale.id, stage: 2 })).toMatchObject({ amount: '400.00' })
    expect((await see(sale.id, '2026-03-02')).next[0]).toMatchObject({ action: 'ask-deposit', amount: '724.75' })
    expect(await refusedOn('2026-03-02', requestDeposit, { saleId: sale.id, stage: 3 })).toBe('not-found')
    await onDay('2026-03-03', cancelSale, { saleId: sale.id, reason: 'Test' })
  })

  test('moved to another sale, partly kept as a fee, the rest given back; never more than is held', async () => {
    const [one, two] = [
      await agreed('500.00', { kind: 'deposit', percent: '50' }),
      await agreed('500.00', { kind: 'layaway' }),
    ]
    await onDay('2026-03-02', takeReceipt, {
      method: 'cash',
      amount: '270.00',
      for: [{ saleId: one.id, amount: '270.00' }],
    })
    const change = await moved(['2100', '2110', '4220', '1000'], async () => {
      await onDay('2026-03-03', moveHeld, {
        customerId: s.customer,
        fromSaleId: one.id,
        toSaleId: two.id,
        amount: '70.00',
      })
      expect(
        await refusedOn('2026-03-03', moveHeld, { customerId: s.customer, fromSaleId: one.id, amount: '200.01' }),
      ).toBe('more-than-held')
      expect(await refusedOn('2026-03-03', cancelSale, { saleId: one.id, reason: 'no', fee: '200.01' })).toBe(
        'more-than-held',
      )
      expect(await refusedOn('2026-03-03', cancelSale, { saleId: one.id, reason: 'no' })).toBe('held-first')
      await onDay('2026-03-04', cancelSale, {
        saleId: one.id,
        reason: 'Changed their mind',
        fee: '50.00',
        rest: 'cash',
      })
    })
    expect(change).toEqual([27_000n, -7000n, -5000n, -15_000n])
    expect((await see(two.id, '2026-03-04')).money.held).toBe('70.00')
    await onDay('2026-03-04', giveUpLayaway, { saleId: two.id })
  })

  test('tax due when money comes ahead: posted with it, taken off again with the bill, its share with a refund', async () => {
    const other = await openTestShop()
    await other.run(changeSettings, { taxOnDeposits: true })
    const sale = await other.answer(startSale, {
      customerId: other.customer,
      agreed: true,
      lines: [work('1000.00')],
      arrangement: { kind: 'deposit', percent: '40' },
    })
    // 40 % of 1,082.50 = 433.00, of which tax 433.00 × 82.50 ÷ 1,082.50 = 33.00
    await other.run(takeReceipt, { method: 'transfer', amount: '433.00', for: [{ saleId: sale.id, amount: '433.00' }] })
    const tax = async () => (await taxView(other.db, { from: day('2026-03-01'), to: day('2026-03-01') }, 'USD')).total
    expect(await tax()).toBe('33.00')
    // A quarter of it back takes a quarter of its tax: 8.25
    await other.run(refundHeld, { customerId: other.customer, saleId: sale.id, amount: '108.25', method: 'transfer' })
    expect(await tax()).toBe('24.75')
    await other.run(handOver, { saleId: sale.id })
    await other.run(billSale, { saleId: sale.id, what: 'handed-over', issue: true })
    expect(await tax()).toBe('82.50')
    expect(await other.ties()).toEqual([])
  })
})

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
      why: 'Layaway behind since 01 Apr 2026',
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

  test('credited in whole, the charge that is not earned ends with it', async () => {
    const { sale } = await financed({ charge: { flat: '90.00' } })
    const invoiceId = (await see(sale.id, '2026-03-01')).invoices[0]!.id
    await onDay('2026-03-01', creditInvoice, { invoiceId, reason: 'Sent back' })
    expect(await see(sale.id, '2026-03-01')).toMatchObject({ money: { open: '0.00' } })
    expect(await s.ties()).toEqual([])
  })
})

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

describe('the drawer', () => {
  test('float, takings, cash out, banking, count: the day adds up', async () => {
    const on = '2026-07-01'
    const opening = (await readDrawer(s.db, day(on), 'USD')).opening
    await onDay(on, moveDrawer, { direction: 'in', amount: '150.00', reason: 'Float' })
    await onDay(on, sellAtCounter, { lines: [work('40.00')], method: 'cash', tendered: '50.00' })
    await onDay(on, moveDrawer, { direction: 'out', amount: '12.30', reason: 'Stamps' })
    await onDay(on, bankSlip, { cash: '100.00' })
    expect(await refusedOn(on, bankSlip, { cash: '99999.00' })).toBe('drawer-short')
    expect(await refusedOn(on, bankSlip, {})).toBe('nothing-to-bank')
    const day1 = await readDrawer(s.db, day(on), 'USD')
    // 150.00 + 43.30 − 12.30 − 100.00 = 81.00
    expect(day1.now.minor - opening.minor).toBe(8100n)
    expect(await refusedOn(on, countDrawer, { pieces: { '20.00': 1 }, counted: '21.00' })).toBe('invalid')
    const less = (day1.now.minor - 50n).toString()
    const counted = `${less.slice(0, -2)}.${less.slice(-2)}`
    const change = await moved(['1000', '6300'], async () =>
      expect(await onDay(on, countDrawer, { counted })).toMatchObject({ over: '-0.50' }),
    )
    expect(change).toEqual([-50n, 50n])
  })

  test('where the smallest coin is five, cash is rounded, and the rounding is posted', async () => {
    const swiss = await openTestShop({ currency: 'CHF' })
    await swiss.run(changeSettings, { smallestCoin: 5 })
    // 12.50 + 8.25 % = 13.53 → 13.55 in coins
    const counter = await swiss.answer(sellAtCounter, {
      lines: [{ goodsId: swiss.rosin, quantity: '1' }],
      method: 'cash',
      tendered: '20.00',
    })
    expect(counter).toMatchObject({ totals: { gross: '13.53' }, change: '6.45' })
    // 21.02 on account is 21.00 in coins; 21.00 tendered is enough, and refunding 21.02 gives 21.00.
    await swiss.run(takeReceipt, {
      customerId: swiss.customer,
      method: 'cash',
      amount: '21.02',
      tendered: '21.00',
      for: 'account',
    })
    await swiss.run(refundHeld, { customerId: swiss.customer, amount: '21.02', method: 'cash' })
    const sums = await sumAccounts(swiss.db, { to: day('2199-01-01') }, 'CHF')
    const at = (code: string) => {
      const a = sums.find((x) => x.code === code)!
      return a.debit.minor - a.credit.minor
    }
    // In the drawer 13.55; rounding gained 0.02, lost 0.02, gained 0.02.
    expect([at('1000'), at('6310')]).toEqual([1355n, -2n])
  })
})

test('after all of it every tie is zero, on every day', async () => {
  expect(await s.ties()).toEqual([])
  for (let on: Day = day('2026-03-01'); on < '2026-07-05'; on = addDays(on, 9)) expect(await s.ties(on)).toEqual([])
})
