import { desc } from 'drizzle-orm'

import type { Db } from '../connect'
import { closing } from '../schema'

export const insertClosing = async (db: Db, row: typeof closing.$inferInsert): Promise<void> => {
  await db.insert(closing).values(row)
}

/** Every closing and reopening of the books, the newest first. */
export const listClosings = async (db: Db) =>
  (await db.select().from(closing).orderBy(desc(closing.id)).limit(500)).map((r) => ({
    id: r.id,
    kind: r.kind,
    through: r.through,
    reason: r.reason,
    on: r.onDay,
    at: r.at,
  }))
