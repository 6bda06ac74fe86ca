import { beforeAll, describe, expect, test } from 'vitest'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { addDays, day } from '@/core/day'
import { findBusiness, type Business } from '@/data/queries/business'
import { entriesOfPapers } from '@/data/queries/ledger'
import { listPost } from '@/data/queries/post'
import { makePaper } from '@/documents/make'
import { changeSettings } from '@/services/access/changeSettings'
import { billSale } from '@/services/billing/billSale'
import { sendToMany } from '@/services/chase/sendMany'
import type { Command } from '@/services/command'
import { sellAtCounter } from '@/services/money/sellAtCounter'
import { takeReceipt } from '@/services/money/takeReceipt'
import { addCustomer } from '@/services/people/keepCustomer'
import { joinCustomers } from '@/services/people/joinCustomers'
import { readPlanBook } from '@/model/plan/planBook'
import { arrangeSale } from '@/services/sales/arrangeSale'
import { handOver } from '@/services/sales/handOver'
import { startSale } from '@/services/sales/startSale'
import { openTestShop, type TestShop } from './shop'
import { balancesBefore } from '@/data/queries/balances'
import { readSheet } from '@/model/sale/readSheet'
import { sentence } from '@/contract/sentences'

let s: TestShop
let business: Business
let quick: number
let slow: number
let plan: number
let layaway: number

const onDay = async <I, A>(today: string, command: Command<I, A>, input: I): Promise<A> => {
  const done = await command.answer({ db: s.db, today: day(today) }, input, null)
  if (!done.ok) throw new Error(sentence(done.error))
  return done.value
}
/** Sold, handed over and billed on a day, due ten days later. */
const billed = async (customerId: number, on: string, unitPrice: string, more: Record<string, unknown> = {}) => {
  const sale = await onDay(on, startSale, {
    customerId,
    agreed: true,
    lines: [{ description: 'A bow', quantity: '1', unitPrice, taxCode: 'ZERO' }],
    arrangement: { kind: 'terms', net: 10 },
    ...more,
  })
  await onDay(on, handOver, { saleId: sale.id })
  return { saleId: sale.id, invoice: await onDay(on, billSale, { saleId: sale.id, what: 'handed-over', issue: true }) }
}

beforeAll(async () => {
  s = await openTestShop()
  quick = await s.run(addCustomer, { name: 'Quick Quill', email: 'quick@mail.example' })
  slow = await s.run(addCustomer, { name: 'Slow Sal' })
  // Quick pays two days early, Slow twenty days late: four bills each, from January on.
  for (const [customerId, late] of [
    [quick, -2],
    [slow, 20],
  ] as const)
    for (const on of ['2026-01-05', '2026-01-19', '2026-02-02', '2026-02-09']) {
      const { invoice } = await billed(customerId, on, '100.00')
      await onDay(addDays(day(on), 10 + late), takeReceipt, {
        customerId,
        method: 'transfer',
        amount: '100.00',
        for: [{ dueId: invoice.dues[0]!.id, amount: '100.00' }],
      })
    }
  await billed(quick, '2026-03-01', '300.00', { kind: 'repairs', channel: 'phone' })
  await billed(slow, '2026-03-01', '500.00', { channel: 'counter' })
  plan = (
    await billed(quick, '2026-03-02', '600.00', {
      arrangement: {
        kind: 'installments',
        count: 6,
        every: 'month',
        firstDue: '2026-04-02',
        charge: { flat: '60.00' },
      },
    })
  ).saleId
  layaway = (
    await onDay('2026-03-02', startSale, {
      customerId: slow,
      agreed: true,
      lines: [{ description: 'A lute', quantity: '1', unitPrice: '400.00', taxCode: 'ZERO' }],
      arrangement: { kind: 'layaway', firstPercent: '25', months: 3 },
    })
  ).id
  await onDay('2026-03-02', takeReceipt, {
    method: 'cash',
    amount: '150.00',
    for: [{ saleId: layaway, amount: '150.00' }],
  })
  await onDay('2026-03-03', takeReceipt, { customerId: slow, method: 'card', amount: '12.00', for: 'account' })
  await onDay('2026-03-03', sellAtCounter, { lines: [{ goodsId: s.rosin, quantity: '2' }], method: 'cash' })
  business = (await findBusiness(s.db))!
})

describe('letters and papers', () => {
  const text = async (pdf: Buffer | null): Promise<string> => {
    const doc = await getDocument({ data: new Uint8Array(pdf!), verbosity: 0 }).promise
    let all = ''
    for (let n = 1; n <= doc.numPages; n++)
      all += (await (await doc.getPage(n)).getTextContent()).items.map((i) => ('str' in i ? i.str : '')).join(' ')
    return all.replace(/\s+/g, ' ')
  }
  const asked = (today: string) => ({ db: s.db, business, today: day(today) })

  test('an agreement says the payments, the rate and the rules', async () => {
    const of = await text(await makePaper(asked('2026-03-02'), 'agreement', plan))
    for (const part of [
      'Agreement on payments',
      '660.00',
      '110.00',
      '02 Apr 2026',
      '02 Sep 2026',
      'Effective rate a year',
      'You may pay off early',
      'Signed',
    ])
      expect(of).toContain(part)
    const kept = await text(await makePaper(asked('2026-03-02'), 'agreement', layaway))
    for (const part of ['100.00', 'stay with us until all of it is paid', 'we keep nothing'])
      expect(kept).toContain(part)
  })
  test('what is open stands in one list, late or not', async () => {
    const of = await text(await makePaper(asked('2026-03-20'), 'open-items', slow))
    for (const part of ['What is open', '500.00', 'late since']) expect(of).toContain(part)
  })
  test('to many at once: who cannot be written to is told apart, and the others still are', async () => {
    const till = { db: s.db, today: day('2026-03-25') }
    const done = await sendToMany(till, { customerIds: [quick, slow], what: 'statement' }, 'USD')
    expect(done).toMatchObject({ written: 1, skipped: [{ name: 'Slow Sal' }] })
    const again = await sendToMany(till, { customerIds: [quick], what: 'reminder' }, 'USD')
    expect(again.written).toBe(1)
    expect((await sendToMany(till, { customerIds: [quick], what: 'reminder' }, 'USD')).skipped[0]!.why).toContain(
      'The next may go from',
    )
    const [last] = await listPost(s.db, {}, { limit: 1 })
    expect(last!.subject).toContain('A reminder')
  })
})

test('what a paper made of each account: before, and after the next one', async () => {
  const sheet = (await readSheet(s.db, plan, business, day('2026-05-03')))!
  const [bill] = await entriesOfPapers(s.db, [{ kind: 'invoice', id: sheet.story.invoices[0]!.id }], 'USD')
  const before = await balancesBefore(s.db, [bill!.id], 'USD')
  const line = bill!.lines.find((l) => l.code === '1100')!
  // Before it: 300.00 and 500.00 billed on 1 March, Slow’s last two bills open.
  expect(before.get(`${bill!.id}:${line.accountId}`)!.minor).toBe(100_000n)
  expect(sheet.planned.map((p) => p.text)).toContain('payment 3 of 6')
})

test('Settings fill in what an arrangement leaves out', async () => {
  await s.run(changeSettings, {
    usualArrangements: {
      layaway: { months: 5, graceDays: 7, fee: { percent: '5' } },
      late: { charge: { amount: '8.00' }, graceDays: 3 },
    } as never,
  })
  const sale = await s.answer(startSale, {
    customerId: quick,
    agreed: true,
    lines: [{ description: 'x', quantity: '1', unitPrice: '50.00' }],
  })
  const kept = await s.answer(arrangeSale, { saleId: sale.id, arrangement: { kind: 'layaway', months: 2 } })
  expect(kept.arrangement).toMatchObject({ kind: 'layaway', months: 2, graceDays: 7, fee: { percent: '5' } })
  const rows = await s.answer(arrangeSale, {
    saleId: sale.id,
    arrangement: { kind: 'installments', count: 2, every: 'month', firstDue: '2026-04-01' },
  })
  expect(rows.arrangement).toMatchObject({ lateCharge: { amount: '8.00' }, graceDays: 3 })
})

test('two records joined take their plans, layaways and promises along', async () => {
  const kept = await s.run(addCustomer, { name: 'Quentin Quill' })
  await s.run(joinCustomers, { customerId: kept, goneId: quick })
  const { rows } = await readPlanBook(s.db, { ended: false }, business, day('2026-05-03'))
  expect(rows).toMatchObject([{ customer: 'Quentin Quill' }])
  expect(await s.ties()).toEqual([])
})
