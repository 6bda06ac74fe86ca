import type { Db } from '../connect'
import { savedView } from '../schema'
import { eq } from 'drizzle-orm'
import { plain } from './search'
import { present } from '@/core/present'

export const listSavedViews = (db: Db, place: string) =>
  db
    .select({ id: savedView.id, name: savedView.name, query: savedView.query })
    .from(savedView)
    .where(eq(savedView.place, place))
    .orderBy(plain(savedView.name))

export const keepSavedView = async (db: Db, row: typeof savedView.$inferInsert): Promise<number> =>
  present(
    (
      await db
        .insert(savedView)
        .values(row)
        .onConflictDoUpdate({ target: [savedView.place, savedView.name], set: { query: row.query } })
        .returning({ id: savedView.id })
    )[0],
  ).id

export const deleteSavedView = async (db: Db, id: number): Promise<void> => {
  await db.delete(savedView).where(eq(savedView.id, id))
}
