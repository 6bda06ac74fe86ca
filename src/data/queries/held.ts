import type { HeldKind } from '@/core/ledger'
import { type Money, money } from '@/core/money'
import type { Db } from '../connect'
import { held, heldMove } from '../schema'
import { and, eq, sql, asc } from 'drizzle-orm'
import { isOneOf } from './search'
import type { Day } from '@/core/day'

export interface HeldRow {
  readonly customerId: number
  readonly saleId: number | null
  readonly kind: HeldKind
  readonly amount: Money
}

/** What is held for a customer, or for sales, now. Zero places are left out. */
export const listHeld = async (
  db: Db,
  of: { readonly customerId: number } | { readonly saleIds: readonly number[] },
  currency: string,
): Promise<HeldRow[]> => {
  if ('saleIds' in of && of.saleIds.length === 0) return []
  const rows = await db
    .select({ customerId: held.customerId, saleId: held.saleId, kind: held.kind, amount: held.amount })
    .from(held)
    .where(
      and(
        'saleIds' in of ? isOneOf(held.saleId, of.saleIds) : eq(held.customerId, of.customerId),
        sql`${held.amount} > 0`,
      ),
    )
    .orderBy(asc(held.id))
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

export const insertHeldMoves = async (db: Db, rows: readonly (typeof heldMove.$inferInsert)[]): Promise<void> => {
  if (rows.length > 0) await db.insert(heldMove).values([...rows])
}

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
  if ('saleIds' in of && of.saleIds.length === 0) return []
  const where =
    'saleIds' in of
      ? isOneOf(heldMove.saleId, of.saleIds)
      : 'receiptId' in of
        ? eq(heldMove.receiptId, of.receiptId)
        : 'refundId' in of
          ? eq(heldMove.refundId, of.refundId)
          : 'transferId' in of
            ? eq(heldMove.transferId, of.transferId)
            : 'invoiceId' in of
              ? eq(heldMove.invoiceId, of.invoiceId)
              : eq(heldMove.customerId, of.customerId)
  const rows = await db.select().from(heldMove).where(where).orderBy(asc(heldMove.id))
  return rows.map(({ onDay, ...r }) => ({ ...r, on: onDay, amount: money(r.amount, currency) }))
}
