import type { PgTable } from 'drizzle-orm/pg-core'
import type { Db } from '../connect'

/** Writes a row under an id that was reserved for it (`reserveId`): its entry was posted before it. */
export const insertWithId =
  <T extends PgTable>(table: T) =>
  async (db: Db, row: T['$inferInsert'], id: number): Promise<void> => {
    await db
      .insert(table)
      .overridingSystemValue()
      .values({ ...row, id } as never)
  }
