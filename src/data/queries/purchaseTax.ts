import { eq } from 'drizzle-orm'
import type { Db } from '../connect'
import { purchaseTax } from '../schema'

/** Tax in what was bought without a bill; negative takes it back. */
export const insertPurchaseTax = async (db: Db, rows: readonly (typeof purchaseTax.$inferInsert)[]): Promise<void> => {
  if (rows.length > 0) await db.insert(purchaseTax).values([...rows])
}

export const listPurchaseTax = (db: Db, entryId: number) =>
  db.select().from(purchaseTax).where(eq(purchaseTax.entryId, entryId))
