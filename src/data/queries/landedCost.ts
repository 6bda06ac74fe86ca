import { eq } from 'drizzle-orm'
import type { Db } from '../connect'
import { bill, billLine, landedCost, landedShare } from '../schema'
import { insertWithId } from './insertWithId'
import { isOneOf } from './search'

export const insertLandedCost = insertWithId(landedCost)

export const insertLandedShares = async (db: Db, rows: readonly (typeof landedShare.$inferInsert)[]): Promise<void> => {
  if (rows.length > 0) await db.insert(landedShare).values([...rows])
}

/** A line of a bill with its bill; null where there is none. */
export const findBillLine = async (db: Db, id: number) => {
  const [row] = await db
    .select({ line: billLine, bill })
    .from(billLine)
    .innerJoin(bill, eq(bill.id, billLine.billId))
    .where(eq(billLine.id, id))
  return row ?? null
}

/** Those of some lines of bills that were spread over goods. */
export const listSpread = async (db: Db, billLineIds: readonly number[]): Promise<ReadonlySet<number>> => {
  if (billLineIds.length === 0) return new Set()
  const rows = await db
    .select({ id: landedCost.billLineId })
    .from(landedCost)
    .where(isOneOf(landedCost.billLineId, billLineIds))
  return new Set(rows.flatMap((r) => r.id ?? []))
}
