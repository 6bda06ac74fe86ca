import { and, asc, eq, isNull, sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { rowsBy } from '@/core/rowsBy'
import { insertWithId } from '../builtOnce'
import type { Db } from '../connect'
import { bill, goodsReturned, goodsReturnedLine, supplierCredit, supplierCreditLine } from '../schema'
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

/** Papers each with its lines, which are read at once for all of them. */
const withLines = async <P extends { readonly id: number }, L>(
  papers: readonly P[],
  read: (ids: readonly number[]) => Promise<readonly L[]>,
  paperOf: (line: L) => number,
): Promise<readonly (P & { readonly lines: readonly L[] })[]> => {
  const lines = papers.length === 0 ? [] : await read(papers.map((p) => p.id))
  const linesOf = rowsBy(lines, paperOf)
  return papers.map((p) => ({ ...p, lines: linesOf.get(p.id) ?? [] }))
}

/** What went back of receipts, or one by its id, in the order in which it was written; each with its lines. */
export const listGoodsReturned = async (
  db: Db,
  of: { readonly receivedIds: readonly number[] } | { readonly id: number },
) =>
  withLines(
    await db
      .select()
      .from(goodsReturned)
      .where('id' in of ? eq(goodsReturned.id, of.id) : isOneOf(goodsReturned.receivedId, of.receivedIds))
      .orderBy(asc(goodsReturned.id)),
    (ids) =>
      db
        .select()
        .from(goodsReturnedLine)
        .where(isOneOf(goodsReturnedLine.returnedId, ids))
        .orderBy(asc(goodsReturnedLine.id)),
    (line) => line.returnedId,
  )
export type GoodsReturnedRow = Awaited<ReturnType<typeof listGoodsReturned>>[number]

/** Credits on bills, or one by its id, in the order in which they were written; each with its lines. */
export const listSupplierCredits = async (
  db: Db,
  of: { readonly billIds: readonly number[] } | { readonly id: number },
) =>
  withLines(
    await db
      .select()
      .from(supplierCredit)
      .where('id' in of ? eq(supplierCredit.id, of.id) : isOneOf(supplierCredit.billId, of.billIds))
      .orderBy(asc(supplierCredit.id)),
    (ids) =>
      db
        .select()
        .from(supplierCreditLine)
        .where(isOneOf(supplierCreditLine.creditId, ids))
        .orderBy(asc(supplierCreditLine.id)),
    (line) => line.creditId,
  )
export type SupplierCreditRow = Awaited<ReturnType<typeof listSupplierCredits>>[number]

export const markCreditVoid = async (db: Db, id: number, voidedOn: Day, voidReason: string): Promise<void> => {
  await db.update(supplierCredit).set({ voidedOn, voidReason }).where(eq(supplierCredit.id, id))
}

/** The credit of a supplier that has their number already. */
export const findCreditByNumber = async (db: Db, supplierId: number, theirNumber: string) =>
  (
    await db
      .select({ id: supplierCredit.id })
      .from(supplierCredit)
      .innerJoin(bill, eq(bill.id, supplierCredit.billId))
      .where(
        and(
          eq(bill.supplierId, supplierId),
          sql`lower(${supplierCredit.theirNumber}) = lower(${theirNumber})`,
          isNull(supplierCredit.voidedOn),
        ),
      )
  )[0] ?? null
