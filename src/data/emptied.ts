import { sql } from 'drizzle-orm'
import type { Database } from './connect'

/**
 * Stands in a database, as a schema of this name, from before its first row of the demo until after the last: a start that
 * finds it knows that the one before it was cut short there.
 */
const MARK = sql.identifier('demo_under_way')

/** Everything of the program, its migrations too. */
export const DROP_ALL = 'drop schema if exists drizzle, kept cascade; drop schema public cascade; create schema public'

/** Fills an empty database from somewhere else than the owner: all of it, or it is emptied at the next start. */
export const fillWhole = async <T>(db: Database, fill: () => Promise<T>): Promise<T> => {
  await db.execute(sql`create schema ${MARK}`)
  const filled = await fill()
  // Waits for the disk, and so for everything that was written before it.
  await db.execute(sql`drop schema ${MARK}`)
  return filled
}

/** Empties a database that holds half a demo. One that holds somebody's own business is never touched. */
export const emptyHalfFilled = async (db: Database): Promise<boolean> => {
  const [mark] = await db.execute<{ there: boolean; tables: boolean }>(
    sql`select to_regnamespace('demo_under_way') is not null as there, to_regclass('public.business') is not null as tables`,
  )
  if (!mark?.there) return false
  const own = mark.tables ? await db.execute(sql`select from business where demo_passphrase is null`) : { length: 0 }
  if (own.length === 0) await db.execute(sql.raw(DROP_ALL))
  await db.execute(sql`drop schema ${MARK}`)
  return own.length === 0
}
