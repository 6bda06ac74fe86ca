import { and, desc, eq, gte, isNotNull, lte, sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { present } from '@/core/present'
import { insertOne } from '../builtOnce'
import type { Db } from '../connect'
import { taxReturn, taxReturnEntry } from '../schema'

export type TaxReturnRecord = typeof taxReturn.$inferSelect

/** Returns by their days, the newest first. */
export const listTaxReturns = (db: Db): Promise<TaxReturnRecord[]> =>
  db.select().from(taxReturn).orderBy(desc(taxReturn.fromDay), desc(taxReturn.id)).limit(500)

export const findTaxReturn = async (db: Db, id: number): Promise<TaxReturnRecord | null> =>
  (await db.select().from(taxReturn).where(eq(taxReturn.id, id)))[0] ?? null

/** A filed return that has a day of a span in it. */
export const findFiledIn = async (db: Db, span: { readonly from: Day; readonly through: Day }) =>
  (
    await db
      .select({ id: taxReturn.id, from: taxReturn.fromDay, through: taxReturn.through })
      .from(taxReturn)
      .where(and(isNotNull(taxReturn.filedOn), lte(taxReturn.fromDay, span.through), gte(taxReturn.through, span.from)))
      .limit(1)
  )[0] ?? null

export const insertTaxReturn = insertOne(taxReturn)

export const updateTaxReturn = async (
  db: Db,
  id: number,
  change: Partial<typeof taxReturn.$inferInsert>,
): Promise<void> => {
  await db.update(taxReturn).set(change).where(eq(taxReturn.id, id))
}

/** Marks the entries whose tax is filed with a return, and the last one there is. */
export const markFiled = async (db: Db, returnId: number, entryIds: readonly number[]): Promise<void> => {
  if (entryIds.length > 0)
    await db.insert(taxReturnEntry).values([...new Set(entryIds)].map((entryId) => ({ entryId, returnId })))
}

/** The last entry there is. */
export const lastEntryId = async (db: Db): Promise<number> => {
  const [row] = await db.execute<{ id: number }>(sql`select coalesce(max(id), 0)::int as id from entry`)
  return present(row).id
}

export const deleteTaxReturn = async (db: Db, id: number): Promise<void> => {
  await db.delete(taxReturn).where(eq(taxReturn.id, id))
}
