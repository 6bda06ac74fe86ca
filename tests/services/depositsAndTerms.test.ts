import { s, openDesk, onDay, refusedOn, see, moved, work, agreed, billed } from './moneyDesk'
import { beforeAll, describe, expect, test } from 'vitest'
import { sql } from 'drizzle-orm'
import { addDays, day, type Day } from '@/core/day'
import { toDecimalString } from '@/core/money'
import { findBusiness } from '@/data/queries/business'
import { readDepositsAsked } from '@/model/receivables/depositsAsked'
import { changeSettings } from '@/services/access/changeSettings'
import { billSale } from '@/services/billing/billSale'
import { moveHeld } from '@/services/money/moveHeld'
import { refundHeld } from '@/services/money/refundHeld'
import { takeReceipt } from '@/services/money/takeReceipt'
import { voidReceipt } from '@/services/money/voidReceipt'
import { giveUpLayaway } from '@/services/plans/giveUpLayaway'
import { taxView } from '@/model/books/books'
import { cancelSale } from '@/services/sales/closeSale'
import { handOver } from '@/services/sales/handOver'
import { requestDeposit } from '@/services/sales/requestDeposit'
import { startSale } from '@/services/sales/startSale'
import { openTestShop } from './shop'

beforeAll(openDesk)

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
  test('what is asked ahead is found however many sales were agreed since', async () => {
    const hers = await openTestShop()
    const asked = async () =>
      (await readDepositsAsked(hers.db, hers.customer, (await findBusiness(hers.db))!, hers.today)).map(
        ({ saleId, open }) => [saleId, toDecimalString(open)],
      )
    const agree = (terms: object) =>
      hers.answer(startSale, { customerId: hers.customer, agreed: true, lines: [work('100.00')], ...terms })
    const arranged = await agree({ arrangement: { kind: 'deposit', percent: '40' } })
    const requested = await agree({})
    await hers.run(requestDeposit, { saleId: requested.id, amount: '10.00' })
    const plain = await agree({})
    const columns = await hers.db.execute<{ name: string }>(sql`
      select quote_ident(column_name) as name from information_schema.columns
       where table_schema = current_schema() and table_name = 'sale' and is_identity = 'NO' and is_generated = 'NEVER' and column_name <> 'number'`)
    const copied = sql.raw(columns.map((c) => c.name).join(', '))
    await hers.db.execute(sql`
      insert into sale (number, ${copied}) select number + n, ${copied} from sale, generate_series(1, 250) n where id = ${plain.id}`)
    // 108.25 with tax, of that 40 %; and what was requested.
    expect(await asked()).toEqual([
      [arranged.id, '43.30'],
      [requested.id, '10.00'],
    ])
    await hers.close()
  })

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

test('after all of it every tie is zero, on every day', async () => {
  expect(await s.ties()).toEqual([])
  for (let on: Day = day('2026-03-01'); on < '2026-07-05'; on = addDays(on, 9)) expect(await s.ties(on)).toEqual([])
})
