import type { Day } from '@/core/day'
import { type Money, money } from '@/core/money'
import type { Db } from '../connect'
import { payPromise } from '../schema'
import { and, isNull, asc, eq } from 'drizzle-orm'
import { isOneOf } from './search'
import { present } from '@/core/present'

export interface PromiseRow {
  readonly id: number
  readonly customerId: number
  readonly saleId: number
  readonly madeOn: Day
  readonly by: Day
  readonly amount: Money
  readonly note: string
}

/** Promises that stand, the newest last. */
export const listPromises = async (db: Db, saleIds: readonly number[], currency: string): Promise<PromiseRow[]> =>
  saleIds.length === 0
    ? []
    : (
        await db
          .select()
          .from(payPromise)
          .where(and(isOneOf(payPromise.saleId, saleIds), isNull(payPromise.droppedOn)))
          .orderBy(asc(payPromise.id))
      ).map((r) => ({
        id: r.id,
        customerId: r.customerId,
        saleId: r.saleId,
        madeOn: r.madeOn,
        by: r.byDay,
        amount: money(r.amount, currency),
        note: r.note,
      }))

export const insertPromise = async (db: Db, row: typeof payPromise.$inferInsert): Promise<number> =>
  present((await db.insert(payPromise).values(row).returning({ id: payPromise.id }))[0]).id

export const dropPromises = async (db: Db, saleId: number, on: Day): Promise<void> => {
  await db
    .update(payPromise)
    .set({ droppedOn: on })
    .where(and(eq(payPromise.saleId, saleId), isNull(payPromise.droppedOn)))
}
