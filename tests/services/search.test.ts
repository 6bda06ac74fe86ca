import { sql } from 'drizzle-orm'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { day } from '@/core/day'
import { addMoney, sumMoney, zeroMoney } from '@/core/money'
import { present } from '@/core/present'
import { listRegister, sumRegister } from '@/data/queries/invoiceRegister'
import { sumInvoices, sumReceived } from '@/data/queries/paperMonths'
import { listReceipts, sumReceipts } from '@/data/queries/receipt'
import { listSaleIds } from '@/data/queries/sales'
import { readRegister } from '@/model/invoice/register'
import { findBusiness } from '@/data/queries/business'
import { billSale } from '@/services/billing/billSale'
import { creditInvoice } from '@/services/billing/creditInvoice'
import { takeReceipt } from '@/services/money/takeReceipt'
import { voidReceipt } from '@/services/money/voidReceipt'
import { addCustomer } from '@/services/people/keepCustomer'
import { handOver } from '@/services/sales/handOver'
import { startSale } from '@/services/sales/startSale'
import { openTestShop, type TestShop } from './shop'

/** Many sales whose titles share a word, so that it narrows nothing, and a few that are billed and paid. */
let s: TestShop
let orla = 0
beforeAll(async () => {
  s = await openTestShop()
  orla = await s.run(addCustomer, { name: 'Orla Vance' })
  await s.db.execute(sql`
    insert into sale (number, customer_id, title, purchase_order, started_on, arrangement, prices_include_tax)
    select 20000 + g, case when g % 40 = 0 then ${orla}::int else ${s.customer}::int end, 'Fiddle ' || g || case when g = 9 then ' Oé' else '' end, case when g = 7 then 'PO_50%' else '' end,
           '2026-01-05', '{"kind":"now"}', false from generate_series(1, 4500) g`)
  for (const [n, on] of [
    ['1', '2026-01-10'],
    ['2', '2026-02-11'],
    ['3', '2026-02-27'],
  ] as const) {
    const sale = await s.answer(startSale, {
      customerId: n === '2' ? orla : s.customer,
      agreed: true,
      on,
      title: `Fiddle for ${n === '2' ? 'the school' : 'a friend'}`,
      lines: [{ goodsId: s.setUp, quantity: n }],
    })
    await s.run(handOver, { saleId: sale.id, on })
    const invoice = await s.answer(billSale, { saleId: sale.id, what: 'handed-over', issue: true, on })
    if (n === '3') await s.run(creditInvoice, { invoiceId: invoice.id, amount: '10.00', reason: 'A scratch', on })
    const receipt = await s.answer(takeReceipt, {
      customerId: n === '2' ? orla : s.customer,
      method: 'transfer',
      amount: '50.00',
      for: 'oldest',
      reference: `REF-${n}`,
      on,
    })
    if (n === '3') await s.run(voidReceipt, { receiptId: receipt.id, reason: 'Typed twice', on })
  }
})
afterAll(() => s.close())

const about = { today: day('2026-03-01'), currency: 'USD' }
const plain = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()
/** Whether every word stands in a text, whatever the case and the accents. */
const holds = (text: string, typed: string): boolean =>
  typed.split(' ').every((word) => plain(text).includes(plain(word)))

test.each([
  'fiddle',
  'Fiddle 117',
  '117',
  '7',
  '7 11',
  'fi',
  'orla',
  'ORLA fiddle',
  'vance 80',
  'school',
  '20040',
  'PO_50%',
  '%',
  'zq',
  'oÉ',
  'oe',
  'Fíddlè 11',
  'é',
  'E',
  '_',
  'v',
  'hazel 7 fid',
  'x',
])('sales in which “%s” is found are those that hold each of its words', async (typed) => {
  const all = await s.db.execute<{ id: number; text: string }>(sql`
      select s.id, s.number || ' ' || s.title || ' ' || s.purchase_order || ' ' || c.name as text
        from sale s join customer c on c.id = s.customer_id order by s.id desc`)
  const expected = all.filter((r) => holds(r.text, typed)).map((r) => r.id)
  expect(await listSaleIds(s.db, { search: typed }, {}, about.today)).toEqual(expected)
  expect(await listSaleIds(s.db, { search: typed }, { limit: 5 }, about.today)).toEqual(expected.slice(0, 5))
})

test.each([
  'fiddle',
  'fi',
  'fi orla',
  'orla',
  'or',
  'school',
  '2026-0002',
  'C-',
  'friend hazel',
  'nowhere',
  'zq',
  'OR',
  '-0',
  'V',
])('invoices in which “%s” is found, and what they come to', async (typed) => {
  const every = await listRegister(s.db, {}, {}, about)
  const expected = every.filter((r) => holds(`${r.number} ${r.title} ${r.customer}`, typed))
  expect((await listRegister(s.db, { search: typed }, {}, about)).map((r) => r.id)).toEqual(expected.map((r) => r.id))
  const sums = await sumRegister(s.db, { search: typed }, about)
  // A word that thousands of sales hold is not added up, unless that is asked for; neither is one too short for the index.
  expect(sums === null).toBe(typed === 'fiddle' || typed === 'fi')
  const gross = sumMoney(
    expected.map((r) => (r.kind === 'credit-note' ? { ...r.gross, minor: -r.gross.minor } : r.gross)),
    'USD',
  )
  const added = present(await sumRegister(s.db, { search: typed }, about, { evenBroad: true }))
  expect([added.count, added.gross]).toEqual([expected.length, gross])
  if (sums) expect(sums).toEqual(added)
  const where = { db: s.db, business: present(await findBusiness(s.db)), ...about }
  expect(await readRegister(where, { search: typed }, {})).toEqual({ rows: expected, sums })
})

test('receipts are found by number, reference and name; those taken back count for nothing', async () => {
  const numbers = async (search: string) => (await listReceipts(s.db, { search }, {}, 'USD')).map((r) => r.reference)
  expect(await numbers('ref')).toEqual(['REF-3', 'REF-2', 'REF-1'])
  expect(await numbers('orla ref-')).toEqual(['REF-2'])
  expect(await numbers('R-2026-0003')).toEqual(['REF-3'])
  expect(await sumReceipts(s.db, { search: 'ref' }, 'USD')).toEqual({
    count: 2,
    amount: { minor: 10000n, currency: 'USD' },
  })
  expect(await sumReceipts(s.db, { customerId: orla }, 'USD')).toEqual({
    count: 1,
    amount: { minor: 5000n, currency: 'USD' },
  })
})

test.each([
  [undefined, undefined],
  ['2026-01-10', '2026-02-11'],
  ['2026-01-11', '2026-02-28'],
  ['2026-02-01', undefined],
  [undefined, '2026-02-26'],
  ['2026-02-12', '2026-02-12'],
] as const)('what is kept by month adds up to the papers themselves: from %s to %s', async (from, to) => {
  const days = { from: from && day(from), to: to && day(to) }
  const rows = await listRegister(s.db, days, {}, about)
  const sum = (of: 'net' | 'tax' | 'gross') =>
    rows.reduce(
      (total, r) => addMoney(total, r.kind === 'credit-note' ? { ...r[of], minor: -r[of].minor } : r[of]),
      zeroMoney('USD'),
    )
  expect(await sumInvoices(s.db, days, 'USD')).toEqual({
    count: rows.length,
    net: sum('net'),
    tax: sum('tax'),
    gross: sum('gross'),
  })
  expect((await sumInvoices(s.db, days, 'USD', 'credit-note')).count).toBe(
    rows.filter((r) => r.kind === 'credit-note').length,
  )
  expect(await sumRegister(s.db, days, about)).toMatchObject({
    open: sumMoney(
      rows.map((r) => r.open),
      'USD',
    ),
  })
  const there = (await listReceipts(s.db, days, {}, 'USD')).filter((r) => r.voidedOn === null)
  expect(await sumReceived(s.db, days, 'USD')).toEqual({
    count: there.length,
    amount: sumMoney(
      there.map((r) => r.amount),
      'USD',
    ),
  })
})
