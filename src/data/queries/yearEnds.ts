import { and, desc, eq, isNull } from 'drizzle-orm'
import type { Db } from '../connect'
import { yearEnd } from '../schema'

/** Years that are closed, the newest first; one that was opened again is not. */
export const listYearEnds = (db: Db) =>
  db
    .select({ id: yearEnd.id, year: yearEnd.year, entryId: yearEnd.entryId, closedBefore: yearEnd.closedBefore })
    .from(yearEnd)
    .where(isNull(yearEnd.undoneEntryId))
    .orderBy(desc(yearEnd.year))

export const insertYearEnd = async (db: Db, row: typeof yearEnd.$inferInsert): Promise<void> => {
  await db.insert(yearEnd).values(row)
}

export const undoYearEnd = async (db: Db, year: number, undoneEntryId: number): Promise<void> => {
  await db
    .update(yearEnd)
    .set({ undoneEntryId })
    .where(and(eq(yearEnd.year, year), isNull(yearEnd.undoneEntryId)))
}
