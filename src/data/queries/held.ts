import type { HeldKind } from '@/core/ledger'
import { type Money, money } from '@/core/money'
import type { Db } from '../connect'
import { held, heldMove } from '../schema'
import { and, eq, sql, asc, type SQL } from 'drizzle-orm'
import type { PgColumn } from 'drizzle-orm/pg-core'
import { builtForId, builtForIds, insertInto } from '../builtOnce'
import { isOneOf } from './search'
import type { Day } from '@/core/day'

export interface HeldRow {
  readonly customerId: number
  readonly saleId: number | null
  readonly kind: HeldKind
  readonly amount: Money
}

const heldWhere = (db: Db, where: SQL) =>
  db
    .select({ customerId: held.customerId, saleId: held.saleId, kind: held.kind, amount: held.amount })
    .from(held)
    .where(and(where, sql`${held.amount} > 0`))
    .orderBy(asc(held.id))
const heldForSales = builtForIds((db, saleIds) => heldWhere(db, isOneOf(held.saleId, saleIds)))
const heldForCustomer = builtForId((db, customerId) => heldWhere(db, eq(held.customerId, customerId)))

/** What is held for a customer, or for sales, now. Zero places are left out. */
export const listHeld = async (
  db: Db,
  of: { readonly customerId: number } | { readonly saleIds: readonly number[] },
  currency: string,
): Promise<HeldRow[]> => {
  const rows = 'saleIds' in of ? await heldForSales(db, of.saleIds) : await heldForCustomer(db, of.customerId)
  return rows.map((r) => ({ ...r, amount: money(r.amount, currency) }))
}

/** The same, locked for the rest of the transaction. */
export const lockHeld = async (
  db: Db,
  of: { readonly customerId: number; readonly saleId: number | null },
  currency: string,
): Promise<HeldRow[]> => {
  const rows = await db
    .select({ customerId: held.customerId, saleId: held.saleId, kind: held.kind, amount: held.amount })
    .from(held)
    .where(
      and(
        eq(held.customerId, of.customerId),
        of.saleId === null ? sql`${held.saleId} is null` : eq(held.saleId, of.saleId),
        sql`${held.amount} > 0`,
      ),
    )
    .orderBy(asc(held.id))
    .for('update')
  return rows.map((r) => ({ ...r, amount: money(r.amount, currency) }))
}

/** What changed a place's held money, by kind and day. */
export const listHeldChanges = async (
  db: Db,
  of: { readonly customerId: number; readonly saleId: number | null },
): Promise<{ readonly kind: HeldKind; readonly on: Day; readonly by: bigint }[]> => {
  const rows = await db
    .select({ kind: heldMove.kind, on: heldMove.onDay, by: sql<string>`sum(${heldMove.amount})::text` })
    .from(heldMove)
    .where(
      and(
        eq(heldMove.customerId, of.customerId),
        of.saleId === null ? sql`${heldMove.saleId} is null` : eq(heldMove.saleId, of.saleId),
      ),
    )
    .groupBy(heldMove.kind, heldMove.onDay)
  return rows.map((r) => ({ kind: r.kind, on: r.on, by: BigInt(r.by) }))
}

export const insertHeldMoves = insertInto(heldMove)

export interface HeldMoveRow {
  readonly id: number
  readonly customerId: number
  readonly saleId: number | null
  readonly kind: HeldKind
  readonly on: Day
  readonly amount: Money
  readonly why: (typeof heldMove.$inferSelect)['why']
  readonly receiptId: number | null
  readonly invoiceId: number | null
  readonly refundId: number | null
  readonly transferId: number | null
  readonly entryId: number
}

const moves = (db: Db, where: SQL) => db.select().from(heldMove).where(where).orderBy(asc(heldMove.id))
const movesBy = (column: PgColumn) => builtForId((db, id) => moves(db, eq(column, id)))
const movesOf = {
  saleIds: builtForIds((db, saleIds) => moves(db, isOneOf(heldMove.saleId, saleIds))),
  receiptId: movesBy(heldMove.receiptId),
  refundId: movesBy(heldMove.refundId),
  transferId: movesBy(heldMove.transferId),
  invoiceId: movesBy(heldMove.invoiceId),
  customerId: movesBy(heldMove.customerId),
}

export const listHeldMoves = async (
  db: Db,
  of:
    | { readonly saleIds: readonly number[] }
    | { readonly receiptId: number }
    | { readonly refundId: number }
    | { readonly transferId: number }
    | { readonly invoiceId: number }
    | { readonly customerId: number },
  currency: string,
): Promise<HeldMoveRow[]> => {
  const rows =
    'saleIds' in of
      ? await movesOf.saleIds(db, of.saleIds)
      : 'receiptId' in of
        ? await movesOf.receiptId(db, of.receiptId)
        : 'refundId' in of
          ? await movesOf.refundId(db, of.refundId)
          : 'transferId' in of
            ? await movesOf.transferId(db, of.transferId)
            : 'invoiceId' in of
              ? await movesOf.invoiceId(db, of.invoiceId)
              : await movesOf.customerId(db, of.customerId)
  return rows.map(({ onDay, ...r }) => ({ ...r, on: onDay, amount: money(r.amount, currency) }))
}
