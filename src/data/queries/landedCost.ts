import { and, asc, eq, inArray, isNull } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { insertInto, insertWithId } from '../builtOnce'
import type { Db } from '../connect'
import { bill, billLine, goodsReceived, goodsReceivedLine, landedCost, landedShare } from '../schema'
import { isOneOf } from './search'

export const insertLandedCost = insertWithId(landedCost)

export const insertLandedShares = insertInto(landedShare)

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
    .where(and(isOneOf(landedCost.billLineId, billLineIds), isNull(landedCost.voidedOn)))
  return new Set(rows.flatMap((r) => r.id ?? []))
}

interface Of {
  readonly id?: number
  /** Lines of bills that were spread. */
  readonly billLineIds?: readonly number[]
  /** What came, over which something was spread. */
  readonly receivedId?: number
}

/** Costs that were spread over goods that came, void or not, the oldest first. */
export const listLandedCosts = async (db: Db, of: Of) => {
  const over = db
    .select({ id: landedShare.costId })
    .from(landedShare)
    .innerJoin(goodsReceivedLine, eq(goodsReceivedLine.id, landedShare.receivedLineId))
    .where(eq(goodsReceivedLine.receivedId, of.receivedId ?? 0))
  return db
    .select({ cost: landedCost, billId: billLine.billId })
    .from(landedCost)
    .leftJoin(billLine, eq(billLine.id, landedCost.billLineId))
    .where(
      and(
        of.id === undefined ? undefined : eq(landedCost.id, of.id),
        of.billLineIds === undefined ? undefined : isOneOf(landedCost.billLineId, of.billLineIds),
        of.receivedId === undefined ? undefined : inArray(landedCost.id, over),
      ),
    )
    .orderBy(asc(landedCost.id))
    .then((rows) => rows.map(({ cost, billId }) => ({ ...cost, billId })))
}

export const listLandedShares = (db: Db, costId: number) =>
  db.select().from(landedShare).where(eq(landedShare.costId, costId)).orderBy(asc(landedShare.id))

export const markLandedCostVoid = async (db: Db, id: number, voidedOn: Day, voidReason: string): Promise<void> => {
  await db.update(landedCost).set({ voidedOn, voidReason }).where(eq(landedCost.id, id))
}

/** Over which receipts of goods costs were spread. */
export const listSpreadOver = async (db: Db, costIds: readonly number[]) =>
  costIds.length === 0
    ? []
    : db
        .selectDistinct({ costId: landedShare.costId, id: goodsReceived.id, number: goodsReceived.number })
        .from(landedShare)
        .innerJoin(goodsReceivedLine, eq(goodsReceivedLine.id, landedShare.receivedLineId))
        .innerJoin(goodsReceived, eq(goodsReceived.id, goodsReceivedLine.receivedId))
        .where(isOneOf(landedShare.costId, costIds))
        .orderBy(asc(goodsReceived.id))
