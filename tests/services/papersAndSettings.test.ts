import { beforeAll, describe, expect, test } from 'vitest'
import { present } from '@/core/present'
import { pdfText } from '../pdfText'
import { day } from '@/core/day'
import { type Business } from '@/data/queries/business'
import { entriesOfPapers } from '@/data/queries/ledger'
import { listPost } from '@/data/queries/post'
import { makePaper } from '@/documents/make'
import { changeSettings } from '@/services/access/changeSettings'
import { sendToMany } from '@/services/chase/sendMany'
import { addCustomer } from '@/services/people/keepCustomer'
import { joinCustomers } from '@/services/people/joinCustomers'
import { readPlanBook } from '@/model/plan/planBook'
import { arrangeSale } from '@/services/sales/arrangeSale'
import { startSale } from '@/services/sales/startSale'
import type { TestShop } from './shop'
import { openSides } from './sidesDesk'
import { balancesBefore } from '@/data/queries/balances'
import { readSheet } from '@/model/sale/readSheet'

let s: TestShop
let business: Business
let quick: number
let slow: number
let plan: number
let layaway: number

beforeAll(async () => {
  ;({ s, business, quick, slow, plan, layaway } = await openSides())
})

describe('letters and papers', () => {
  const text = async (pdf: Buffer | null): Promise<string> => pdfText(present(pdf))
  const asked = (today: string) => ({ db: s.db, business, today: day(today) })

  test('an agreement says the payments, the rate and the rules', async () => {
    const of = await text(await makePaper(asked('2026-03-02'), 'agreement', plan))
    for (const part of [
      'Payment agreement',
      '660.00',
      '110.00',
      '2 Apr 2026',
      '2 Sep 2026',
      'Effective annual rate',
      'You may pay off early',
      'Signature',
    ])
      expect(of).toContain(part)
    const kept = await text(await makePaper(asked('2026-03-02'), 'agreement', layaway))
    for (const part of ['100.00', 'stay with us until all of it is paid', 'we refund everything you have paid'])
      expect(kept).toContain(part)
  })
  test('what is open stands in one list, late or not', async () => {
    const of = await text(await makePaper(asked('2026-03-20'), 'open-items', slow))
    for (const part of ['Open invoices', '500.00', 'due since']) expect(of).toContain(part)
  })
  test('to many at once: who cannot be written to is told apart, and the others still are', async () => {
    const till = { db: s.db, today: day('2026-03-25') }
    const done = await sendToMany(till, { customerIds: [quick, slow], what: 'statement' }, 'USD')
    expect(done).toMatchObject({ written: 1, skipped: [{ name: 'Slow Sal' }] })
    const again = await sendToMany(till, { customerIds: [quick], what: 'reminder' }, 'USD')
    expect(again.written).toBe(1)
    expect((await sendToMany(till, { customerIds: [quick], what: 'reminder' }, 'USD')).skipped[0]!.why).toContain(
      'The next can be sent from',
    )
    const [last] = await listPost(s.db, {}, { limit: 1 })
    expect(last!.subject).toContain('Reminder: ')
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
