import { insertInto } from '../builtOnce'
import type { Db } from '../connect'
import type { ComponentTax } from '@/core/tax'
import { taxMove } from '../schema'
import { and, sql, asc, eq } from 'drizzle-orm'
import { money } from '@/core/money'

const insertMoves = insertInto(taxMove)

/** Tax that a paper moves, as it is kept. Positive: more is owed. */
export const insertTaxMoves = async (
  db: Db,
  taxes: readonly ComponentTax[],
  paper: Pick<typeof taxMove.$inferInsert, 'onDay' | 'why' | 'entryId' | 'saleId' | 'receiptId' | 'dueId' | 'billId'>,
): Promise<void> => {
  const moved = taxes.filter((t) => t.amount.minor !== 0n || t.net.minor !== 0n)
  await insertMoves(
    db,
    moved.map((t) => ({
      ...paper,
      taxCodeId: t.taxCodeId,
      componentId: t.componentId,
      net: t.net.minor,
      amount: t.amount.minor,
    })),
  )
}

const sumMoves = async (db: Db, where: ReturnType<typeof and>, currency: string): Promise<ComponentTax[]> => {
  const rows = await db
    .select({
      taxCodeId: taxMove.taxCodeId,
      componentId: taxMove.componentId,
      net: sql<string>`sum(${taxMove.net})::text`,
      amount: sql<string>`sum(${taxMove.amount})::text`,
    })
    .from(taxMove)
    .where(where)
    .groupBy(taxMove.taxCodeId, taxMove.componentId)
    .orderBy(asc(taxMove.taxCodeId), asc(taxMove.componentId))
  return rows.map((r) => ({
    taxCodeId: r.taxCodeId,
    componentId: r.componentId,
    net: money(BigInt(r.net), currency),
    amount: money(BigInt(r.amount), currency),
  }))
}

/** Tax that stands posted on a sale's held money. */
export const sumTaxAhead = (db: Db, saleId: number, currency: string): Promise<ComponentTax[]> =>
  sumMoves(db, and(eq(taxMove.saleId, saleId), eq(taxMove.why, 'ahead')), currency)

/** Tax that stands taken back with what was put on a due without money: discounts taken, debts written off. */
export const sumTaxOnDue = (
  db: Db,
  dueId: number,
  why: 'discount' | 'write-off',
  currency: string,
): Promise<ComponentTax[]> => sumMoves(db, and(eq(taxMove.dueId, dueId), eq(taxMove.why, why)), currency)

/** Tax that stands posted as our own on a supplier’s bill. */
export const sumOwnTax = (db: Db, billId: number, currency: string): Promise<ComponentTax[]> =>
  sumMoves(db, eq(taxMove.billId, billId), currency)

/** Tax that an entry moved: on money ahead, or in what came in at the bank. */
export const listTaxOfEntry = (
  db: Db,
  entryId: number,
  why: 'ahead' | 'bank',
  currency: string,
): Promise<ComponentTax[]> => sumMoves(db, and(eq(taxMove.entryId, entryId), eq(taxMove.why, why)), currency)
