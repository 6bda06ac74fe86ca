import { sql, type SQL } from 'drizzle-orm'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { findList } from '@/api/lists'
import { bank } from '@/api/operations/bank'
import { parcels } from '@/api/operations/parcels'
import { shopfront } from '@/api/operations/shopfront'
import { toDecimalString, type Money } from '@/core/money'
import { present } from '@/core/present'
import { findBusiness } from '@/data/queries/business'
import { readLookAlikes } from '@/model/people/lookAlikes'
import { readSuppliers } from '@/model/buying/suppliers'
import type { Where } from '@/model/where'
import { makeCalendarLink, readCalendar } from '@/services/access/calendar'
import { addBankAccount } from '@/services/bank/keepBankAccount'
import { importStatement } from '@/services/bank/importStatement'
import { billSale } from '@/services/billing/billSale'
import { addSupplier } from '@/services/buying/keepSupplier'
import { addCustomer } from '@/services/people/keepCustomer'
import { startPick, startPicks } from '@/services/parcels/startPicks'
import { handOver } from '@/services/sales/handOver'
import { startSale } from '@/services/sales/startSale'
import { ofx } from '../files/statements'
import { openSending } from './sendingDesk'
import type { TestShop } from './shop'

/** More of everything than anybody shows at once: copies of one, as years bring them. */
let s: TestShop
let where: Where
let ordered: number

/** Copies of a row, the `n`th from 1 on, with other values in some columns. */
const copy = async (table: string, id: number, count: number, change: Readonly<Record<string, SQL>>): Promise<void> => {
  const columns = await s.db.execute<{ name: string }>(sql`
    select column_name as name from information_schema.columns
     where table_schema = current_schema() and table_name = ${table} and is_identity = 'NO' and is_generated = 'NEVER'`)
  const names = columns.map((c) => c.name)
  const values = names.map((name) => change[name] ?? sql.raw(`"${name}"`))
  await s.db.execute(sql`
    insert into ${sql.raw(table)} (${sql.raw(names.map((n) => `"${n}"`).join(', '))})
    select ${sql.join(values, sql`, `)} from ${sql.raw(table)}, generate_series(1, ${count}::int) n where id = ${id} order by n`)
}

beforeAll(async () => {
  const desk = await openSending()
  s = desk.s
  where = { db: s.db, business: (await findBusiness(s.db))!, today: s.today, currency: 'USD' }
  const supplier = await s.run(addSupplier, { name: 'Halden' })
  await copy('supplier', supplier, 250, { name: sql`name || ' ' || n` })

  const account = await s.run(addBankAccount, { name: 'Business' })
  const statement = await s.run(importStatement, {
    bankAccountId: account,
    name: 'march.ofx',
    base64: Buffer.from(ofx()).toString('base64'),
  })
  await copy('bank_statement', statement, 600, { through: sql`through - (n / 2)::int` })

  const brought = await s.answer(startSale, {
    customerId: s.customer,
    agreed: true,
    lines: [{ goodsId: s.setUp, quantity: '1' }],
  })
  const handover = await s.run(handOver, { saleId: brought.id, by: 'delivery' })
  await s.run(billSale, { saleId: brought.id, what: 'handed-over', issue: true })
  await copy('handover', handover, 2100, { number: sql`'H-' || n`, on_day: sql`on_day - (n % 7)::int` })
  await copy('handover_line', 1, 2100, { handover_id: sql`${handover}::int + n` })

  ordered = (await desk.order()).saleId
  const pick = await s.answer(startPick, { saleId: ordered })
  // Several were touched at one moment, told to the millionth of a second.
  await s.db.execute(sql`
    insert into basket (token_hash, started_on, name, touched_at)
    select 'basket ' || n, ${s.today}, 'Somebody', now() + (n / 3) * interval '1 microsecond' from generate_series(1, 601) n`)
  await s.db.execute(sql`
    insert into basket_line (basket_id, goods_id, quantity) select id, ${s.rosin}::int, 1 from basket`)
  await copy('pick', pick.id, 600, { number: sql`'P-' || n`, sale_id: sql`${brought.id}::int` })
})
afterAll(() => s.close())

const SIZE = 100
const pages = async (name: string) => {
  const list = present(findList(name))
  const read: { id: number }[] = []
  for (let page = 1; ; page++) {
    const part = await list.read(where, { page: String(page) }, SIZE)
    read.push(...(part.rows as { id: number }[]))
    if (!part.more) return { read, part, all: await list.read(where, {}, 'all') }
  }
}

describe.each([
  ['suppliers', 251],
  ['bank-statements', 601],
  ['deliveries', 2101],
  ['picks', 601],
  ['baskets', 601],
])('of %s there are %i', (name, count) => {
  test('page after page brings each once, in the order of the whole', async () => {
    const { read, all } = await pages(name)
    expect(read).toHaveLength(count)
    expect(read.map((r) => r.id)).toEqual((all.rows as { id: number }[]).map((r) => r.id))
    expect(new Set(read.map((r) => r.id)).size).toBe(count)
  })
})

test('what is to be collected is of all stops, on every page', async () => {
  const { part, all } = await pages('deliveries')
  expect(part.count).toBe(2101)
  const said = ({ sums }: { readonly sums: Readonly<Record<string, unknown>> }) => toDecimalString(sums.open as Money)
  expect(said(part)).toBe(said(all))
  const first = (all.rows as { open: Money }[])[0]!.open.minor
  expect((part.sums.open as Money).minor).toBe(first * 2101n)
})

test.each([
  ['/picks', parcels, 601],
  ['/bank/statements', bank, 601],
  ['/baskets', shopfront, 601],
] as const)('%s over HTTP: cursors bring each once', async (path, calls, count) => {
  const call = (calls as readonly (typeof bank)[number][]).find((c) => c.method === 'GET' && c.path === path)!
  const till = { db: s.db, today: s.today } as Parameters<typeof call.run>[0]['till']
  const ids: number[] = []
  const sizes: number[] = []
  for (let query: Record<string, string> | null = {}; query;) {
    const answered = await call.run({ till, params: {}, query, body: undefined, key: null })
    if (!answered.ok) throw new Error(answered.error.code)
    const { items, next } = answered.value.body as { items: { id: number }[]; next: string | null }
    ids.push(...items.map((i) => i.id))
    sizes.push(items.length)
    query = next === null ? null : { after: next, limit: '70' }
  }
  expect([ids.length, new Set(ids).size, sizes[0], sizes[1]]).toEqual([count, count, 500, 70])
})

test('suppliers are found however many come before them', async () => {
  expect(await readSuppliers(s.db, undefined, where)).toHaveLength(251)
})

test('an order that is being picked is not picked again, however many were begun since', async () => {
  expect(await s.refusal(startPicks, {})).toBe('nothing-to-hand-over')
  const picks = await s.db.execute<{ count: number }>(
    sql`select count(*)::int as count from pick where sale_id = ${ordered}`,
  )
  expect(picks[0]?.count).toBe(1)
})

test('who has the address that is typed is found, however many are called alike', async () => {
  await copy('customer', s.customer, 80, { email: sql`'' || n || '@mail.example'` })
  const id = await s.run(addCustomer, { name: 'H. Adair-Wick', email: 'wick@mail.example' })
  const alike = await readLookAlikes(
    s.db,
    { name: 'Hazel Adair', email: 'Wick@mail.example', phone: '' },
    where.business,
    s.today,
  )
  expect(alike.map((a) => a.id)).toContain(id)
})

test('a calendar has what is nearest, however much was due long ago', async () => {
  const [due] = await s.db.execute<{ id: number }>(sql`select id from due limit 1`)
  await copy('due', due!.id, 2100, { due_on: sql`${s.today}::date - 100` })
  await s.run(startSale, {
    customerId: s.customer,
    agreed: true,
    wantedBy: '2026-03-20',
    title: 'A cello for the school',
    lines: [{ goodsId: s.rosin, quantity: '1' }],
  })
  const { secret } = await s.answer(makeCalendarLink, {})
  const calendar = (await readCalendar(s.db, secret, { name: 'Till', currency: 'USD', today: s.today }))!
  expect(calendar).toContain('Needed: A cello for the school')
  expect(calendar.match(/BEGIN:VEVENT/g)).toHaveLength(2000)
})
