import { builtForId, builtForIds, insertInto } from '../builtOnce'
import type { Db } from '../connect'
import { dueFill, type FILL_KINDS, due, heldMove } from '../schema'
import type { Day } from '@/core/day'
import { type Money, money } from '@/core/money'
import { isOneOf } from './search'
import { asc, eq, and, sql, inArray, desc } from 'drizzle-orm'

const insertSorted = insertInto(dueFill)
export const insertFills = (db: Db, rows: readonly (typeof dueFill.$inferInsert)[]): Promise<void> =>
  insertSorted(
    db,
    [...rows].sort((a, b) => a.dueId - b.dueId),
  )

export interface FillRow {
  readonly id: number
  readonly dueId: number
  readonly saleId: number
  readonly customerId: number
  readonly on: Day
  readonly amount: Money
  readonly kind: FillKind
  readonly receiptId: number | null
  readonly entryId: number | null
}

export type FillKind = (typeof FILL_KINDS)[number]

/** What is put on dues in money, as against what only makes them smaller. */
export const MONEY_FILLS: ReadonlySet<FillKind> = new Set<FillKind>(['receipt', 'held', 'void', 'released'])

export const isMoney = (kind: FillKind): boolean => MONEY_FILLS.has(kind)

/** What was put on dues, or taken off again, for working out what they were made of on any day. */
export const listFillsOfDues = async (db: Db, dueIds: readonly number[], currency: string): Promise<FillRow[]> =>
  (await fillsOfDues(db, dueIds)).map((r) => mapFill(r, currency))

/** What an entry put on dues. */
export const listFillsOfEntry = async (db: Db, entryId: number, currency: string): Promise<FillRow[]> =>
  (await fills(db).where(eq(dueFill.entryId, entryId)).orderBy(asc(dueFill.id))).map((r) => mapFill(r, currency))

const fills = (db: Db) =>
  db
    .select({
      id: dueFill.id,
      dueId: dueFill.dueId,
      saleId: due.saleId,
      customerId: due.customerId,
      on: dueFill.onDay,
      amount: dueFill.amount,
      kind: dueFill.kind,
      receiptId: dueFill.receiptId,
      entryId: dueFill.entryId,
    })
    .from(dueFill)
    .innerJoin(due, eq(due.id, dueFill.dueId))

const fillsOfDues = builtForIds((db, dueIds) =>
  fills(db).where(isOneOf(dueFill.dueId, dueIds)).orderBy(asc(dueFill.id)),
)

const mapFill = (r: Omit<FillRow, 'amount'> & { amount: bigint }, currency: string): FillRow => ({
  ...r,
  on: r.on,
  amount: money(r.amount, currency),
})

const fillsOfSales = builtForIds((db, saleIds) =>
  fills(db).where(isOneOf(due.saleId, saleIds)).orderBy(asc(dueFill.id)),
)
export const listFillsOfSales = async (db: Db, saleIds: readonly number[], currency: string): Promise<FillRow[]> =>
  (await fillsOfSales(db, saleIds)).map((r) => mapFill(r, currency))

const fillsOfReceipt = builtForId((db, receiptId) =>
  fills(db).where(eq(dueFill.receiptId, receiptId)).orderBy(asc(dueFill.id)),
)
export const listFillsOfReceipt = async (db: Db, receiptId: number, currency: string): Promise<FillRow[]> =>
  (await fillsOfReceipt(db, receiptId)).map((r) => mapFill(r, currency))

/** What held money put on dues, the newest first: followed back when that money turns out never to have come. */
export const listFillsOfHeld = async (
  db: Db,
  of: { readonly customerId: number; readonly saleId: number | null },
  currency: string,
): Promise<FillRow[]> => {
  const moves = await db
    .select({ entryId: heldMove.entryId })
    .from(heldMove)
    .where(
      and(
        eq(heldMove.customerId, of.customerId),
        of.saleId === null ? sql`${heldMove.saleId} is null` : eq(heldMove.saleId, of.saleId),
        inArray(heldMove.why, ['invoice', 'use']),
      ),
    )
  const entryIds = moves.map((m) => m.entryId)
  if (entryIds.length === 0) return []
  const rows = await fills(db)
    .where(and(inArray(dueFill.entryId, entryIds), eq(dueFill.kind, 'held')))
    .orderBy(desc(dueFill.id))
  return rows.map((r) => mapFill(r, currency))
}
