import { getTableColumns, getTableName, is, sql } from 'drizzle-orm'
import { getTableConfig, PgTable } from 'drizzle-orm/pg-core'
import { PLANNED_ANEW, type Database } from '../connect'
import * as schema from '../schema'
import { columnName } from './columnName'

/**
 * What is not the owner's to take along: ways in (sessions, tokens, links), what stands in for the world outside, and what
 * only serves the program. Tables whole, or single columns. Everything else is in, by itself.
 */
export const KEPT_BACK: Readonly<Record<string, 'whole' | readonly string[]>> = {
  session: 'whole',
  api_token: 'whole',
  second_proof: 'whole',
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
  'on_hand',
  'to_bank',
  'stage_count',
  'paper_month',
  'tax_month',
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

/** So many rows are read and told at once, and of files, which may be large. */
const [AT_ONCE, FILES_AT_ONCE] = [200, 4]

const rowsOf = (table: string, columns: readonly string[]) => {
  const parts = columns.map((c) =>
    table === 'file' && c === 'body' ? sql`encode(${sql.identifier(c)}, 'base64') as body` : sql`${sql.identifier(c)}`,
  )
  return sql`select ${sql.join(parts, sql`, `)} from ${sql.identifier(table)} order by 1`
}

/**
 * All rows of all the owner's tables as one JSON text, derived from the schema and as of one moment. Amounts are minor units as
 * text, bytes in base64. Told in pieces, each when the one before is taken: all of it is more than fits into memory.
 */
export const tellEverything = (db: Database, take: (piece: string) => Promise<void>): Promise<void> =>
  db.transaction(
    async (tx) => {
      await take(JSON.stringify({ format: 'iron-till-everything', version: 2 }).slice(0, -1))
      for (const { name, columns } of exportedTables()) {
        if (name === 'business') {
          const [business] = await tx.execute(rowsOf(name, columns))
          await take(`,"business":${JSON.stringify(business)}`)
          continue
        }
        await tx.execute(sql`${sql.raw(PLANNED_ANEW)} declare everything cursor for ${rowsOf(name, columns)}`)
        const next = sql.raw(`${PLANNED_ANEW} fetch ${name === 'file' ? FILES_AT_ONCE : AT_ONCE} from everything`)
        await take(`,${JSON.stringify(name)}:[`)
        for (let rows = await tx.execute(next), first = true; rows.length > 0; rows = await tx.execute(next)) {
          await take((first ? '' : ',') + rows.map((row) => JSON.stringify(row)).join(','))
          first = false
        }
        await tx.execute(sql.raw(`${PLANNED_ANEW} close everything`))
        await take(']')
      }
      await take('}')
    },
    { isolationLevel: 'repeatable read', accessMode: 'read only' },
  )
