import { getTableColumns, sql } from 'drizzle-orm'
import type { PgColumn, PgTable } from 'drizzle-orm/pg-core'
import type { Db } from './connect'
import { columnName } from './queries/columnName'

/** Rows of one statement: it is read as one text. */
const BATCH = 1_000

/**
 * Changes many rows of a table in few statements. Of each the fields that are told are changed, what is undefined stays; rows that tell
 * the same fields go together. Values are written as their columns write them.
 *
 * @example updateMany(goods)(db, [{ id: 1, price }, { id: 2, price, name: undefined }]) // one statement, which leaves names alone
 */
export const updateMany = <T extends PgTable & { readonly id: PgColumn }>(table: T) => {
  const columns: Readonly<Record<string, PgColumn>> = getTableColumns(table)
  return async (db: Db, rows: readonly (Partial<T['$inferInsert']> & { readonly id: number })[]): Promise<void> => {
    const alike = new Map<string, Record<string, unknown>[]>()
    for (const { id, ...change } of rows) {
      const told = Object.entries(change).filter(([, value]) => value !== undefined)
      const kinds = told.map(([field]) => field).join()
      const row = told.map(([field, value]) => [
        columnName(field),
        value === null ? null : columns[field]?.mapToDriverValue(value),
      ])
      const others = alike.get(kinds) ?? []
      others.push({ id, ...Object.fromEntries(row) })
      alike.set(kinds, others)
    }
    for (const [kinds, all] of alike) {
      if (kinds === '') continue
      const fields = kinds.split(',').map((field) => {
        const [name, type] = [sql.identifier(columnName(field)), columns[field]?.getSQLType() ?? 'text']
        return { set: sql`${name} = v.${name}`, told: sql`${name} ${sql.raw(type)}` }
      })
      for (let at = 0; at < all.length; at += BATCH)
        await db.execute(sql`
          update ${table} t set ${sql.join(
            fields.map((f) => f.set),
            sql`, `,
          )}
            from jsonb_to_recordset(${JSON.stringify(all.slice(at, at + BATCH))}::jsonb) as v(id int, ${sql.join(
              fields.map((f) => f.told),
              sql`, `,
            )})
           where t.id = v.id`)
    }
  }
}
