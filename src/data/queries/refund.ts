import { insertWithId } from '../builtOnce'
import type { Db } from '../connect'
import { refund, refundVoid } from '../schema'
import { type SQL, eq, desc, and, isNull } from 'drizzle-orm'
import { money } from '@/core/money'
import { isOneOf } from './search'

export const insertRefund = insertWithId(refund)

export const insertRefundVoid = async (db: Db, row: typeof refundVoid.$inferInsert): Promise<void> => {
  await db.insert(refundVoid).values(row)
}

const readRefunds = async (db: Db, which: SQL | undefined, currency: string, most?: number) => {
  const query = db
    .select({ refund, voidedOn: refundVoid.onDay })
    .from(refund)
    .leftJoin(refundVoid, eq(refundVoid.refundId, refund.id))
    .where(which)
    .orderBy(desc(refund.onDay), desc(refund.id))
  const rows = await (most === undefined ? query : query.limit(most))
  return rows.map(({ refund: r, voidedOn }) => ({
    id: r.id,
    number: r.number,
    customerId: r.customerId,
    saleId: r.saleId,
    on: r.onDay,
    method: r.method,
    amount: money(r.amount, currency),
    rounding: money(r.rounding, currency),
    reason: r.reason,
    entryId: r.entryId,
    voidedOn: voidedOn,
  }))
}

export const listRefundsByIds = async (db: Db, ids: readonly number[], currency: string) =>
  ids.length === 0 ? [] : readRefunds(db, isOneOf(refund.id, ids), currency)

/** What was given back from the account of a customer, the newest first; voided ones too. */
export const listAccountRefunds = (db: Db, customerId: number, currency: string) =>
  readRefunds(db, and(eq(refund.customerId, customerId), isNull(refund.saleId)), currency, 10)
