import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { sql } from 'drizzle-orm'
import { migrate as runMigrations } from 'drizzle-orm/postgres-js/migrator'
import { afterAll, beforeAll, describe, expect, inject, test } from 'vitest'
import { day } from '@/core/day'
import { openDatabase, type Database } from '@/data/connect'
import { migrate } from '@/data/migrate'
import { findBusiness } from '@/data/queries/business'
import { exportedTables, MADE_AGAIN } from '@/data/queries/everything'
import { listSaleIds } from '@/data/queries/sales'
import { readTies } from '@/model/books/ties'
import { readStories } from '@/model/sale/readStories'
import { billSale } from '@/services/billing/billSale'
import { creditInvoice } from '@/services/billing/creditInvoice'
import { refundHeld } from '@/services/money/refundHeld'
import { sellAtCounter } from '@/services/money/sellAtCounter'
import { takeReceipt } from '@/services/money/takeReceipt'
import { voidReceipt } from '@/services/money/voidReceipt'
import { handOver } from '@/services/sales/handOver'
import { startSale } from '@/services/sales/startSale'
import { openTestShop, type TestShop } from './shop'

const MIGRATIONS = 'src/data/migrations'
/** The last migration of each version that was ever in use. */
const VERSIONS = [1, 3, 5, 7, 8, 9, 10, 11, 14, 16, 19, 21, 44, 65]
/** From this one on stages are counted as they are now. */
const KEPT_STAGES = 65
const TODAY = day('2026-03-01')

/** A database whose tables are those of an older version: the migrations up to one, and no more. */
const openAt = async (level: number): Promise<{ db: Database; close: () => Promise<void> }> => {
  const folder = mkdtempSync(join(tmpdir(), 'till-migrations-'))
  cpSync(MIGRATIONS, folder, { recursive: true })
  const journal = JSON.parse(readFileSync(join(folder, 'meta/_journal.json'), 'utf8')) as { entries: { idx: number }[] }
  journal.entries = journal.entries.filter((e) => e.idx <= level)
  writeFileSync(join(folder, 'meta/_journal.json'), JSON.stringify(journal))
  const name = `upgrade_${level}_${Date.now().toString(36)}`
  const server = openDatabase(inject('clusterUrl'))
  await server.db.execute(`create database ${name}`)
  await server.close()
  const opened = openDatabase(inject('clusterUrl').replace(/\/postgres$/, `/${name}`))
  await runMigrations(opened.db, { migrationsFolder: folder })
  rmSync(folder, { recursive: true })
  return opened
}

interface Column extends Record<string, unknown> {
  readonly table: string
  readonly column: string
}

const columnsOf = async (db: Database): Promise<ReadonlyMap<string, readonly string[]>> => {
  const rows = await db.execute<Column>(sql`
    select table_name as "table", column_name as "column" from information_schema.columns where table_schema = 'public'`)
  const tables = new Map<string, string[]>()
  for (const { table, column } of rows) tables.set(table, [...(tables.get(table) ?? []), column].sort())
  return tables
}

/** Rows as the database writes them, in JSON: read from one database and written into another without being understood. */
const rowsOf = async (db: Database, table: string, columns: readonly string[]): Promise<string> => {
  const list = sql.join(
    columns.map((c) => sql.identifier(c)),
    sql`, `,
  )
  const [row] = await db.execute<{ rows: string }>(
    sql`select coalesce(json_agg(r order by 1)::text, '[]') as rows from (select ${list} from ${sql.identifier(table)} order by 1) r`,
  )
  return row!.rows
}

/** What a newer version keeps, cut back to what the older one knew. */
const pour = async (from: Database, to: Database): Promise<readonly string[]> => {
  const [newer, older] = [await columnsOf(from), await columnsOf(to)]
  const poured: string[] = []
  await to.transaction(async (tx) => {
    // The rows come as they lay there, kept sums among them: nothing is posted anew.
    await tx.execute(sql`set local session_replication_role = replica`)
    const summedAgain = older.get('shelf')?.includes('value') ? ['shelf'] : []
    for (const name of [...exportedTables().map((t) => t.name), ...MADE_AGAIN]) {
      const known = older.get(name)
      if (!known || name === 'file' || summedAgain.includes(name)) continue
      const columns = newer.get(name)!.filter((c) => known.includes(c))
      const rows = await rowsOf(from, name, columns)
      if (rows === '[]') continue
      const list = sql.join(
        columns.map((c) => sql.identifier(c)),
        sql`, `,
      )
      await tx.execute(sql`delete from ${sql.identifier(name)}`)
      await tx.execute(
        sql`insert into ${sql.identifier(name)} (${list}) overriding system value
            select ${list} from json_populate_recordset(null::${sql.identifier(name)}, ${rows}::json)`,
      )
      if (columns.includes('id'))
        await tx.execute(
          sql`select setval(pg_get_serial_sequence(${name}, 'id'), (select max(id) from ${sql.identifier(name)}))`,
        )
      poured.push(name)
    }
    // What lay where was kept with its worth until the worth was kept for all places together.
    for (const _ of summedAgain) {
      await tx.execute(sql`delete from shelf`)
      await tx.execute(sql`
        insert into shelf (goods_id, place_id, quantity, value)
        select goods_id, place_id, sum(quantity), sum(value) from stock_move group by 1, 2`)
    }
  })
  return poured
}

let s: TestShop
beforeAll(async () => {
  s = await openTestShop()
  const sale = await s.answer(startSale, {
    customerId: s.customer,
    agreed: true,
    lines: [
      { goodsId: s.violin, quantity: '2' },
      { goodsId: s.setUp, quantity: '1' },
    ],
  })
  await s.run(handOver, { saleId: sale.id, on: '2026-02-01' })
  const invoice = await s.answer(billSale, { saleId: sale.id, what: 'handed-over', issue: true, on: '2026-02-01' })
  await s.run(takeReceipt, {
    on: '2026-02-10',
    customerId: s.customer,
    method: 'transfer',
    amount: '3000.00',
    for: 'oldest',
  })
  const receipt = await s.answer(takeReceipt, {
    on: '2026-02-11',
    customerId: s.customer,
    method: 'cash',
    amount: '20.00',
    for: 'account',
  })
  await s.run(voidReceipt, { receiptId: receipt.id, reason: 'Counted twice', on: '2026-02-12' })
  await s.run(creditInvoice, { invoiceId: invoice.id, amount: '54.13', reason: 'A scratch', on: '2026-02-15' })
  await s.run(refundHeld, { customerId: s.customer, amount: '10.00', method: 'cash', on: '2026-02-20' })
  await s.run(sellAtCounter, { lines: [{ goodsId: s.rosin, quantity: '3' }], method: 'card', on: '2026-02-21' })
})

describe.each(VERSIONS)('from the version of migration %i', (level) => {
  let older: Awaited<ReturnType<typeof openAt>>
  let poured: readonly string[]
  let before: ReadonlyMap<string, readonly string[]>
  beforeAll(async () => {
    older = await openAt(level)
    poured = await pour(s.db, older.db)
    before = await columnsOf(older.db)
    await migrate(older.db)
  })
  afterAll(() => older.close())

  test('every row comes through as it was', async () => {
    expect(poured).toEqual(expect.arrayContaining(['customer', 'goods', 'sale', 'invoice', 'receipt', 'entry_line']))
    for (const table of poured) {
      const columns = (await columnsOf(older.db)).get(table)!.filter((c) => before.get(table)?.includes(c))
      expect(await rowsOf(older.db, table, columns), table).toBe(await rowsOf(s.db, table, columns))
    }
  })

  test('the tables are those of a new database', async () => {
    expect(await columnsOf(older.db)).toEqual(await columnsOf(s.db))
  })

  test('sums that are kept since are those that would have been kept', async () => {
    const kept = (db: Database) => rowsOf(db, 'account_month', ['account_id', 'month', 'cash_debit', 'cash_credit'])
    expect(await kept(older.db)).toContain('"cash_credit":3750') // 3 × 12.50 at the counter
    expect(await kept(older.db)).toBe(await kept(s.db))
    for (const [table, columns] of [
      ['due', ['id', 'last_on', 'paid_on', 'in_money']],
      ['paper_month', ['paper', 'month', 'count', 'net', 'tax', 'gross']],
      ['tax_month', ['month', 'tax_code_id', 'component_id', 'net', 'amount']],
    ] as const)
      expect(await rowsOf(older.db, table, columns)).toBe(await rowsOf(s.db, table, columns))
    // Where stages were added up anew, the rows that came and went are one each.
    const some = level < KEPT_STAGES ? sql`` : sql`having sum(count) <> 0`
    const stages = await older.db.execute(
      sql`select stage, sum(count)::int as count from stage_count group by 1 ${some} order by 1`,
    )
    expect(stages).toEqual(
      await s.db.execute(
        sql`select stage, sum(count)::int as count from stage_count group by 1 having sum(count) <> 0 order by 1`,
      ),
    )
  })

  test('what was issued says what it would say if it were issued now', async () => {
    const says = (db: Database) => rowsOf(db, 'invoice', ['id', 'says'])
    expect(await says(older.db)).toContain('"taxNames"')
    expect(await says(older.db)).toBe(await says(s.db))
  })

  test('what was handed over says for which line it was, as it does when it is written now', async () => {
    const lines = (db: Database) =>
      db.execute(sql`select id, sale_line_id from stock_move where paper_kind = 'handover' order by id`)
    const now = await lines(older.db)
    expect(now.length).toBeGreaterThan(0)
    expect(now).toEqual(await lines(s.db))
  })

  test('the books tie on every day, and every sale can be read', async () => {
    for (const asOf of ['2026-01-31', '2026-02-11', '2026-02-28', '2199-01-01'].map(day)) {
      const ties = await readTies(older.db, asOf, 'USD')
      expect(ties.filter((t) => t.difference.minor !== 0n).map((t) => t.name)).toEqual([])
    }
    const business = (await findBusiness(older.db))!
    const stories = await readStories(older.db, await listSaleIds(older.db, {}, { limit: 100 }, TODAY), business, TODAY)
    const same = await readStories(s.db, await listSaleIds(s.db, {}, { limit: 100 }, TODAY), business, TODAY)
    expect(stories.map((x) => [x.stands, x.open.minor, x.held.minor])).toEqual(
      same.map((x) => [x.stands, x.open.minor, x.held.minor]),
    )
  })

  test('and trade goes on', async () => {
    const shop = { db: older.db, today: TODAY }
    const sold = await sellAtCounter.answer(
      shop,
      { lines: [{ goodsId: s.rosin, quantity: '1' }], method: 'cash', tendered: '20.00' },
      null,
    )
    // 12.50 and 1.03 of tax, from 20.00
    expect(sold).toMatchObject({ ok: true, value: { totals: { gross: '13.53' }, change: '6.47' } })
  })
})
