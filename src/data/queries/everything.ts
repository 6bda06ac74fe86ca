import { getTableColumns, getTableName, is, sql } from 'drizzle-orm'
import { getTableConfig, PgTable } from 'drizzle-orm/pg-core'
import type { Db } from '../connect'
import * as schema from '../schema'
import { columnName } from './columnName'

/**
 * What is not the owner's to take along: ways in (sessions, tokens, links), what stands in for the world outside, and what
 * only serves the program. Tables whole, or single columns. Everything else is in, by itself.
 */
export const KEPT_BACK: Readonly<Record<string, 'whole' | readonly string[]>> = {
  session: 'whole',
  api_token: 'whole',
  customer_link: ['token_hash'],
  basket: ['token_hash'],
  command: 'whole',
  mailbox: 'whole',
  calendar_link: 'whole',
  webhook: 'whole',
  webhook_delivery: 'whole',
  business: ['passphrase_hash', 'smtp_url', 'demo_passphrase'],
}

/** Sums that triggers keep, and can be made again from what they sum. */
export const MADE_AGAIN: readonly string[] = [
  'account_month',
  'earned_month',
  'earned_sale',
  'held',
  'shelf',
  'pool',
  'stage_count',
  'paper_month',
]

// What is only kept to look faster has a schema of its own, and is nobody's.
const TABLES = Object.values(schema as Readonly<Record<string, unknown>>).filter(
  (t) => is(t, PgTable) && getTableConfig(t).schema === undefined,
) as PgTable[]

/** A table's columns as the database names them, less those that are kept back. */
const columnsOf = (table: PgTable): string[] => {
  const name = getTableName(table)
  const back = KEPT_BACK[name]
  const columns = Object.values(getTableColumns(table)).map((c) => columnName(c.name))
  return Array.isArray(back) ? columns.filter((c) => !back.includes(c)) : columns
}

/** The tables that are exported, each after those it refers to, so that they can be read in again in this order. */
export const exportedTables = (): { readonly name: string; readonly columns: readonly string[] }[] => {
  const wanted = TABLES.filter((t) => KEPT_BACK[getTableName(t)] !== 'whole' && !MADE_AGAIN.includes(getTableName(t)))
  const done: PgTable[] = []
  const seen = new Set<PgTable>()
  const place = (table: PgTable): void => {
    if (seen.has(table)) return
    seen.add(table)
    for (const key of getTableConfig(table).foreignKeys) {
      const to = key.reference().foreignTable
      if (to !== table && wanted.includes(to)) place(to)
    }
    done.push(table)
  }
  wanted.forEach(place)
  return done.map((t) => ({ name: getTableName(t), columns: columnsOf(t) }))
}

/** All rows of all the owner's tables, derived from the schema. Amounts are minor units as text, bytes in base64. */
export const readEverything = async (db: Db): Promise<Record<string, unknown>> => {
  const all: Record<string, unknown> = { format: 'iron-till-everything', version: 2 }
  for (const { name, columns } of exportedTables()) {
    const parts = columns.map((c) =>
      name === 'file' && c === 'body' ? sql`encode(${sql.identifier(c)}, 'base64') as body` : sql`${sql.identifier(c)}`,
    )
    const rows = await db.execute(sql`select ${sql.join(parts, sql`, `)} from ${sql.identifier(name)} order by 1`)
    all[name] = name === 'business' ? rows[0] : rows
  }
  return all
}
