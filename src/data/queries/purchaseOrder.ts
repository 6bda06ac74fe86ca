import { and, asc, desc, eq, gt, inArray, isNotNull, isNull, sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { decimal, ZERO, type Decimal } from '@/core/money'
import { present } from '@/core/present'
import { insertOne } from '../builtOnce'
import type { Db } from '../connect'
import { inMinor } from './inMinor'
import { goods, purchaseOrder, purchaseOrderLine, purchaseOrderVersion, saleLine, supplier, taxCode } from '../schema'
import { isOneOf } from './search'

export interface OrderFilter {
  readonly id?: number
  readonly ids?: readonly number[]
  readonly supplierId?: number
  /** Sent and not closed. */
  readonly open?: boolean
  /** Lines of it are bought for this sale. */
  readonly saleId?: number
}

/** Orders to suppliers, the newest first. */
export const listPurchaseOrders = async (
  db: Db,
  of: OrderFilter,
  part: { readonly limit?: number; readonly after?: number } = {},
) => {
  const all = db
    .select({ order: purchaseOrder, supplier: supplier.name, email: supplier.email })
    .from(purchaseOrder)
    .innerJoin(supplier, eq(supplier.id, purchaseOrder.supplierId))
    .where(
      and(
        of.id === undefined ? undefined : eq(purchaseOrder.id, of.id),
        of.ids === undefined ? undefined : isOneOf(purchaseOrder.id, of.ids),
        of.supplierId === undefined ? undefined : eq(purchaseOrder.supplierId, of.supplierId),
        of.open ? and(isNotNull(purchaseOrder.sentOn), isNull(purchaseOrder.closedOn)) : undefined,
        of.saleId === undefined
          ? undefined
          : sql`exists (select from purchase_order_line p join sale_line s on s.id = p.sale_line_id
                         where p.order_id = ${purchaseOrder.id} and s.sale_id = ${of.saleId})`,
        part.after === undefined ? undefined : sql`${purchaseOrder.id} < ${part.after}`,
      ),
    )
    .orderBy(desc(purchaseOrder.id))
  const rows = await (part.limit === undefined ? all : all.limit(part.limit))
  return rows.map(({ order, ...named }) => ({ ...order, ...named }))
}
export type PurchaseOrderRow = Awaited<ReturnType<typeof listPurchaseOrders>>[number]

/** The lines of orders, in their order; or some lines by their ids. */
export const listPurchaseLines = async (
  db: Db,
  of: { readonly orderIds: readonly number[] } | { readonly lineIds: readonly number[] },
) => {
  const ids = 'orderIds' in of ? of.orderIds : of.lineIds
  if (ids.length === 0) return []
  const rows = await db
    .select({
      line: purchaseOrderLine,
      code: goods.code,
      barcode: goods.barcode,
      track: goods.track,
      taxCode: taxCode.code,
      saleId: saleLine.saleId,
    })
    .from(purchaseOrderLine)
    .leftJoin(goods, eq(goods.id, purchaseOrderLine.goodsId))
    .leftJoin(taxCode, eq(taxCode.id, purchaseOrderLine.taxCodeId))
    .leftJoin(saleLine, eq(saleLine.id, purchaseOrderLine.saleLineId))
    .where(
      'orderIds' in of
        ? and(isOneOf(purchaseOrderLine.orderId, ids), gt(purchaseOrderLine.quantity, ZERO))
        : isOneOf(purchaseOrderLine.id, ids),
    )
    .orderBy(asc(purchaseOrderLine.orderId), asc(purchaseOrderLine.position), asc(purchaseOrderLine.id))
  return rows.map(({ line, ...named }) => ({ ...line, ...named }))
}
export type PurchaseLineRow = Awaited<ReturnType<typeof listPurchaseLines>>[number]

export const insertPurchaseOrder = insertOne(purchaseOrder)

export const insertPurchaseVersion = async (db: Db, row: typeof purchaseOrderVersion.$inferInsert): Promise<void> => {
  await db.insert(purchaseOrderVersion).values(row)
}

/** Orders as they went to the supplier, the first one first. */
export const listPurchaseVersions = async (db: Db, orderIds: readonly number[]) =>
  orderIds.length === 0
    ? []
    : db
        .select()
        .from(purchaseOrderVersion)
        .where(isOneOf(purchaseOrderVersion.orderId, orderIds))
        .orderBy(asc(purchaseOrderVersion.orderId), asc(purchaseOrderVersion.n))

export const insertPurchaseLines = async (
  db: Db,
  rows: readonly (typeof purchaseOrderLine.$inferInsert)[],
): Promise<void> => {
  if (rows.length > 0) await db.insert(purchaseOrderLine).values([...rows])
}

export const updatePurchaseOrder = async (
  db: Db,
  id: number,
  change: Partial<typeof purchaseOrder.$inferInsert>,
): Promise<void> => {
  await db.update(purchaseOrder).set(change).where(eq(purchaseOrder.id, id))
}

export const updatePurchaseLine = async (
  db: Db,
  id: number,
  change: Partial<typeof purchaseOrderLine.$inferInsert>,
): Promise<void> => {
  await db.update(purchaseOrderLine).set(change).where(eq(purchaseOrderLine.id, id))
}

/** So many of a line came, of which so many were invoiced before. */
export const tallyCame = async (
  db: Db,
  lineId: number,
  by: { readonly received: Decimal; readonly ahead: Decimal; readonly aheadValue: bigint },
): Promise<void> => {
  await db.execute(sql`
    update purchase_order_line set received = received + ${by.received.toFixed(4)}::numeric, ahead = ahead - ${by.ahead.toFixed(4)}::numeric,
           ahead_value = ahead_value - ${by.aheadValue}::bigint where id = ${lineId}`)
}

/** So many of a line that came went back; or they never came. */
export const tallySentBack = async (
  db: Db,
  lineId: number,
  by: { readonly received: Decimal; readonly returned: Decimal },
): Promise<void> => {
  await db.execute(sql`
    update purchase_order_line set received = received - ${by.received.toFixed(4)}::numeric, returned = returned + ${by.returned.toFixed(4)}::numeric
     where id = ${lineId}`)
}

/** So many of a line were invoiced, of which so many before they came, for so much. Below zero: the invoice is void. */
export const tallyBilled = async (
  db: Db,
  lineId: number,
  by: { readonly billed: Decimal; readonly ahead: Decimal; readonly aheadValue: bigint },
): Promise<void> => {
  await db.execute(sql`
    update purchase_order_line set billed = billed + ${by.billed.toFixed(4)}::numeric, ahead = ahead + ${by.ahead.toFixed(4)}::numeric,
           ahead_value = ahead_value + ${by.aheadValue}::bigint where id = ${lineId}`)
}

/** Takes lines off an order. Those that a receipt or bill names, though it is undone, stay without a quantity. */
export const dropPurchaseLines = async (db: Db, ids: readonly number[]): Promise<void> => {
  if (ids.length === 0) return
  const mine = inArray(purchaseOrderLine.id, [...ids])
  const isNamed = sql`(exists (select from goods_received_line r where r.order_line_id = ${purchaseOrderLine.id})
                       or exists (select from bill_line b where b.order_line_id = ${purchaseOrderLine.id}))`
  await db.update(purchaseOrderLine).set({ quantity: ZERO, net: 0n }).where(and(mine, isNamed))
  await db.delete(purchaseOrderLine).where(and(mine, sql`not ${isNamed}`))
}

/** How many of goods are on order and did not come yet: of orders that are sent and not closed. */
export const sumOnOrder = async (
  db: Db,
  goodsIds: readonly number[],
  { drafts = false }: { readonly drafts?: boolean } = {},
): Promise<ReadonlyMap<number, Decimal>> => {
  if (goodsIds.length === 0) return new Map()
  const rows = await db
    .select({
      goodsId: purchaseOrderLine.goodsId,
      quantity: sql`sum(${purchaseOrderLine.quantity} - ${purchaseOrderLine.received})`.mapWith(decimal),
    })
    .from(purchaseOrderLine)
    .innerJoin(purchaseOrder, eq(purchaseOrder.id, purchaseOrderLine.orderId))
    .where(
      and(
        isOneOf(purchaseOrderLine.goodsId, [...new Set(goodsIds)]),
        drafts ? undefined : isNotNull(purchaseOrder.sentOn),
        isNull(purchaseOrder.closedOn),
        gt(purchaseOrderLine.quantity, purchaseOrderLine.received),
      ),
    )
    .groupBy(purchaseOrderLine.goodsId)
  return new Map(rows.map((r) => [present(r.goodsId), r.quantity]))
}

/** What is on order of each supplier and did not come yet, at what it costs; in minor units. */
export const sumOnOrderOf = async (db: Db, currency: string): Promise<ReadonlyMap<number, bigint>> => {
  const rows = await db.execute<{ supplier_id: number; net: string }>(sql`
    select o.supplier_id, sum(${inMinor(sql`(l.quantity - l.received) * l.unit_cost`, currency)})::bigint::text as net
      from purchase_order_line l join purchase_order o on o.id = l.order_id
     where o.sent_on is not null and o.closed_on is null and l.goods_id is not null and l.quantity > l.received
     group by 1`)
  return new Map(rows.map((r) => [r.supplier_id, BigInt(r.net)]))
}

/** What is on order of goods and when the first of it comes: the day they confirmed, else the day it is wanted. */
export const listComing = async (
  db: Db,
  goodsIds: readonly number[],
): Promise<ReadonlyMap<number, { readonly quantity: Decimal; readonly on: Day | null }>> => {
  if (goodsIds.length === 0) return new Map()
  const rows = await db.execute<{ goods_id: number; quantity: string; on_day: Day | null }>(sql`
    select l.goods_id, sum(l.quantity - l.received)::text as quantity, min(coalesce(o.confirmed_for, o.wanted_by))::text as on_day
      from purchase_order_line l join purchase_order o on o.id = l.order_id
     where ${isOneOf(sql`l.goods_id`, [...new Set(goodsIds)])} and o.sent_on is not null and o.closed_on is null and l.quantity > l.received
     group by 1`)
  return new Map(rows.map((r) => [r.goods_id, { quantity: decimal(r.quantity), on: r.on_day }]))
}

/** What of orders for a sale's lines is still to come, of drafts too: it need not be ordered again. */
export const listPurchaseOfSale = async (db: Db, saleId: number) => {
  const rows = await db
    .select({
      saleLineId: purchaseOrderLine.saleLineId,
      toCome: sql`greatest(${purchaseOrderLine.quantity} - ${purchaseOrderLine.received}, 0)`.mapWith(decimal),
    })
    .from(purchaseOrderLine)
    .innerJoin(purchaseOrder, eq(purchaseOrder.id, purchaseOrderLine.orderId))
    .innerJoin(saleLine, eq(saleLine.id, purchaseOrderLine.saleLineId))
    .where(and(eq(saleLine.saleId, saleId), isNull(purchaseOrder.closedOn)))
  return rows
}

/** What may be ordered of some things: those that lie in stock and are not retired, with their reorder points. */
export const listToReorder = (db: Db, goodsIds: readonly number[]) =>
  db
    .select({ id: goods.id, name: goods.name, reorderAt: goods.reorderAt })
    .from(goods)
    .where(and(isOneOf(goods.id, goodsIds), eq(goods.kind, 'stock'), eq(goods.retired, false)))

/** Goods of which there are no more than their reorder point, those in stock and on order taken alone. */
export const listBelowReorder = async (db: Db): Promise<readonly number[]> => {
  const rows = await db.execute<{ id: number }>(sql`
    select g.id from goods g left join on_hand h on h.goods_id = g.id
     where g.reorder_at is not null and not g.retired and g.kind = 'stock' and g.reorder_at >= coalesce(h.quantity, 0) order by g.id`)
  return rows.map((r) => r.id)
}
