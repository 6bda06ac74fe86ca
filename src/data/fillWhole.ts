import { sql } from 'drizzle-orm'
import type { Database } from './connect'

/**
 * A schema of this name stands in a database from before the first row of the demo until after its last: a start that finds it
 * knows that the one before it was cut short there.
 */
const MARK = 'demo_under_way'

/** Everything of the program, its migrations too. */
export const DROP_ALL = 'drop schema if exists drizzle, kept cascade; drop schema public cascade; create schema public'

/** Fills an empty database with the demo. Where that breaks off, the next start empties it (`emptyHalfFilled`). */
export const fillWhole = async <T>(db: Database, fill: () => Promise<T>): Promise<T> => {
  await db.execute(sql`create schema ${sql.identifier(MARK)}`)
  const filled = await fill()
  // Waits for the disk, and so for everything that was written before it.
  await db.execute(sql`drop schema ${sql.identifier(MARK)}`)
  return filled
}

const isThere = async (db: Database, what: 'regnamespace' | 'regclass', name: string): Promise<boolean> =>
  (await db.execute(sql`select where to_${sql.raw(what)}(${name}) is not null`)).length > 0

const holdsOwnBusiness = async (db: Database): Promise<boolean> =>
  (await isThere(db, 'regclass', 'public.business')) &&
  (await db.execute(sql`select from business where demo_passphrase is null`)).length > 0

/** Empties a database that holds half a demo, and says whether it did. One that holds somebody's own business is never touched. */
export const emptyHalfFilled = async (db: Database): Promise<boolean> => {
  if (!(await isThere(db, 'regnamespace', MARK))) return false
  const isOwn = await holdsOwnBusiness(db)
  if (!isOwn) await db.execute(sql.raw(DROP_ALL))
  await db.execute(sql`drop schema ${sql.identifier(MARK)}`)
  return !isOwn
}
