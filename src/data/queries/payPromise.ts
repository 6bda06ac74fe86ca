import type { Day } from '@/core/day'
import { type Money, money } from '@/core/money'
import { builtForIds, insertOne } from '../builtOnce'
import type { Db } from '../connect'
import { payPromise } from '../schema'
import { and, isNull, asc, eq } from 'drizzle-orm'
import { isOneOf } from './search'

export interface PromiseRow {
  readonly id: number
  readonly customerId: number
  readonly saleId: number
  readonly madeOn: Day
  readonly by: Day
  readonly amount: Money
  readonly note: string
}

const promisesOf = builtForIds((db, saleIds) =>
  db
    .select()
    .from(payPromise)
    .where(and(isOneOf(payPromise.saleId, saleIds), isNull(payPromise.droppedOn)))
    .orderBy(asc(payPromise.id)),
)
/** Promises that stand, the newest last. */
export const listPromises = async (db: Db, saleIds: readonly number[], currency: string): Promise<PromiseRow[]> =>
  (await promisesOf(db, saleIds)).map((r) => ({
    id: r.id,
    customerId: r.customerId,
    saleId: r.saleId,
    madeOn: r.madeOn,
    by: r.byDay,
    amount: money(r.amount, currency),
    note: r.note,
  }))

export const insertPromise = insertOne(payPromise)

export const dropPromises = async (db: Db, saleId: number, on: Day): Promise<void> => {
  await db
    .update(payPromise)
    .set({ droppedOn: on })
    .where(and(eq(payPromise.saleId, saleId), isNull(payPromise.droppedOn)))
}
