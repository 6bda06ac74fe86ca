import { and, asc, eq, isNotNull, lte } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { insertOne } from '../builtOnce'
import type { Db } from '../connect'
import { entryRepeat, entryRepeatRun } from '../schema'

/** Entries that come again: one, those of an entry, or those due on a day; the next to come first; taken for this transaction where they are changed. */
export const listEntryRepeats = (
  db: Db,
  of: { readonly id?: number; readonly entryId?: number; readonly dueOn?: Day; readonly lock?: true },
) => {
  const found = db
    .select()
    .from(entryRepeat)
    .where(
      and(
        of.id === undefined ? undefined : eq(entryRepeat.id, of.id),
        of.entryId === undefined ? undefined : eq(entryRepeat.entryId, of.entryId),
        of.dueOn === undefined ? undefined : and(isNotNull(entryRepeat.nextOn), lte(entryRepeat.nextOn, of.dueOn)),
      ),
    )
    .orderBy(asc(entryRepeat.nextOn), asc(entryRepeat.id))
  return of.lock ? found.for('update') : found
}
export type EntryRepeatRow = Awaited<ReturnType<typeof listEntryRepeats>>[number]

export const insertEntryRepeat = insertOne(entryRepeat)

export const updateEntryRepeat = async (
  db: Db,
  id: number,
  change: Partial<typeof entryRepeat.$inferInsert>,
): Promise<void> => {
  await db.update(entryRepeat).set(change).where(eq(entryRepeat.id, id))
}

export const insertEntryRepeatRun = async (db: Db, row: typeof entryRepeatRun.$inferInsert): Promise<void> => {
  await db.insert(entryRepeatRun).values(row)
}
