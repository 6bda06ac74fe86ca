import { and, asc, eq, sql } from 'drizzle-orm'
import type { Db } from '../connect'
import { bill, goodsReturned, goodsReturnedLine, supplierCredit, supplierCreditLine } from '../schema'
import { insertWithId } from './insertWithId'
import { isOneOf } from './search'

export const insertGoodsReturned = insertWithId(goodsReturned)
export const insertSupplierCredit = insertWithId(supplierCredit)

export const insertReturnedLines = async (
  db: Db,
  rows: readonly (typeof goodsReturnedLine.$inferInsert)[],
): Promise<void> => {
  if (rows.length > 0) await db.insert(goodsReturnedLine).values([...rows])
}

export const insertCreditLines = async (
  db: Db,
  rows: readonly (typeof supplierCreditLine.$inferInsert)[],
): Promise<void> => {
  if (rows.length > 0) await db.insert(supplierCreditLine).values([...rows])
}

/** What went back of receipts, or one by its id, in the order in which it was written; each with its lines. */
export const listGoodsReturned = async (
  db: Db,
  of: { readonly receivedIds: readonly number[] } | { readonly id: number },
) => {
  if ('receivedIds' in of && of.receivedIds.length === 0) return []
  const papers = await db
    .select()
    .from(goodsReturned)
    .where('id' in of ? eq(goodsReturned.id, of.id) : isOneOf(goodsReturned.receivedId, of.receivedIds))
    .orderBy(asc(goodsReturned.id))
  const ids = papers.map((p) => p.id)
  const lines =
    ids.length === 0
      ? []
      : await db
          .select()
          .from(goodsReturnedLine)
          .where(isOneOf(goodsReturnedLine.returnedId, ids))
          .orderBy(asc(goodsReturnedLine.id))
  return papers.map((p) => ({ ...p, lines: lines.filter((l) => l.returnedId === p.id) }))
}
export type GoodsReturnedRow = Awaited<ReturnType<typeof listGoodsReturned>>[number]

/** Credits on bills, or one by its id, in the order in which they were written; each with its lines. */
export const listSupplierCredits = async (
  db: Db,
  of: { readonly billIds: readonly number[] } | { readonly id: number },
) => {
  if ('billIds' in of && of.billIds.length === 0) return []
  const papers = await db
    .select()
    .from(supplierCredit)
    .where('id' in of ? eq(supplierCredit.id, of.id) : isOneOf(supplierCredit.billId, of.billIds))
    .orderBy(asc(supplierCredit.id))
  const ids = papers.map((p) => p.id)
  const lines =
    ids.length === 0
      ? []
      : await db
          .select()
          .from(supplierCreditLine)
          .where(isOneOf(supplierCreditLine.creditId, ids))
          .orderBy(asc(supplierCreditLine.id))
  return papers.map((p) => ({ ...p, lines: lines.filter((l) => l.creditId === p.id) }))
}
export type SupplierCreditRow = Awaited<ReturnType<typeof listSupplierCredits>>[number]

/** The credit of a supplier that has their number already. */
export const findCreditByNumber = async (db: Db, supplierId: number, theirNumber: string) =>
  (
    await db
      .select({ id: supplierCredit.id })
      .from(supplierCredit)
      .innerJoin(bill, eq(bill.id, supplierCredit.billId))
      .where(and(eq(bill.supplierId, supplierId), sql`lower(${supplierCredit.theirNumber}) = lower(${theirNumber})`))
  )[0] ?? null
