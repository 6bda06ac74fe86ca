import { and, asc, desc, eq, sql } from 'drizzle-orm'
import { insertOne, insertWithId } from '../builtOnce'
import type { Db } from '../connect'
import { goods, goodsReceived, goodsReceivedLine, supplier } from '../schema'
import { isOneOf, matchesWords } from './search'

export const insertGoodsReceived = insertWithId(goodsReceived)

export const insertReceivedLine = insertOne(goodsReceivedLine)

export const updateReceivedLine = async (
  db: Db,
  id: number,
  change: Partial<
    Pick<
      typeof goodsReceivedLine.$inferInsert,
      'billed' | 'billedValue' | 'returned' | 'returnedValue' | 'credited' | 'creditedValue'
    >
  >,
): Promise<void> => {
  await db.update(goodsReceivedLine).set(change).where(eq(goodsReceivedLine.id, id))
}

/** What came from suppliers, the newest first. */
export const listGoodsReceived = async (
  db: Db,
  of: {
    readonly id?: number
    readonly ids?: readonly number[]
    readonly supplierId?: number
    readonly orderId?: number
    /** Words of its number or of the supplier's name. */
    readonly search?: string
  },
  part: { readonly limit?: number; readonly after?: number } = {},
) => {
  const all = db
    .select({ paper: goodsReceived, supplier: supplier.name })
    .from(goodsReceived)
    .innerJoin(supplier, eq(supplier.id, goodsReceived.supplierId))
    .where(
      and(
        of.id === undefined ? undefined : eq(goodsReceived.id, of.id),
        of.ids === undefined ? undefined : isOneOf(goodsReceived.id, of.ids),
        of.supplierId === undefined ? undefined : eq(goodsReceived.supplierId, of.supplierId),
        of.orderId === undefined ? undefined : eq(goodsReceived.orderId, of.orderId),
        of.search === undefined ? undefined : matchesWords(of.search, [goodsReceived.number, supplier.name]),
        part.after === undefined ? undefined : sql`${goodsReceived.id} < ${part.after}`,
      ),
    )
    .orderBy(desc(goodsReceived.id))
  const rows = await (part.limit === undefined ? all : all.limit(part.limit))
  return rows.map(({ paper, ...named }) => ({ ...paper, ...named }))
}

/** Lines of what came, by their papers, by themselves, or those of order lines; in the order in which they were written. */
export const listReceivedLines = async (
  db: Db,
  of:
    | { readonly receivedIds: readonly number[] }
    | { readonly lineIds: readonly number[] }
    | { readonly orderLineIds: readonly number[] },
) => {
  const [column, ids] =
    'receivedIds' in of
      ? ([goodsReceivedLine.receivedId, of.receivedIds] as const)
      : 'lineIds' in of
        ? ([goodsReceivedLine.id, of.lineIds] as const)
        : ([goodsReceivedLine.orderLineId, of.orderLineIds] as const)
  if (ids.length === 0) return []
  const rows = await db
    .select({
      line: goodsReceivedLine,
      name: goods.name,
      code: goods.code,
      supplierId: goodsReceived.supplierId,
      on: goodsReceived.onDay,
      placeId: goodsReceived.placeId,
    })
    .from(goodsReceivedLine)
    .innerJoin(goods, eq(goods.id, goodsReceivedLine.goodsId))
    .innerJoin(goodsReceived, eq(goodsReceived.id, goodsReceivedLine.receivedId))
    .where(isOneOf(column, [...new Set(ids)]))
    .orderBy(asc(goodsReceivedLine.id))
  return rows.map(({ line, ...named }) => ({ ...line, ...named }))
}
export type ReceivedLineRow = Awaited<ReturnType<typeof listReceivedLines>>[number]
