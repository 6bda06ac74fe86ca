import { sql, type SQL } from 'drizzle-orm'
import type { Db } from '../connect'

/** What could use something, in words, and the rows of it that do. */
export type Use = readonly [what: string, rows: SQL]

/** The first of them that has such a row; null where nothing does. */
export const findUse = async (db: Db, uses: readonly Use[]): Promise<string | null> => {
  const asked = uses.map(([what, rows]) => sql`select ${what} as what where exists (${rows})`)
  const [use] = await db.execute<{ what: string }>(sql`${sql.join(asked, sql` union all `)} limit 1`)
  return use?.what ?? null
}
