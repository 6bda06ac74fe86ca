import { eq } from 'drizzle-orm'
import { insertInto } from '../builtOnce'
import type { Db } from '../connect'
import { purchaseTax } from '../schema'

/** Tax in what was bought without a bill; negative takes it back. */
export const insertPurchaseTax = insertInto(purchaseTax)

export const listPurchaseTax = (db: Db, entryId: number) =>
  db.select().from(purchaseTax).where(eq(purchaseTax.entryId, entryId))
