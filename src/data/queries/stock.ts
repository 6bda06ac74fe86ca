import { insertOne } from '../builtOnce'
import type { Db } from '../connect'
import { goods, onHand, place, pool, shelf, stockMove } from '../schema'
import { present } from '@/core/present'
import { asc, desc, inArray, lte, ne, sql, and, eq } from 'drizzle-orm'
import { poolOf, shareWorth, type Moved, type PileAt, type PileChange, type Shelf } from '@/core/stock'
import { decimal, money, ZERO, type Decimal, type Money } from '@/core/money'
import { isOneOf } from './search'
import { findUse } from './uses'
import type { Day } from '@/core/day'

export interface PlaceRow {
  readonly id: number
  readonly code: string
  readonly name: string
  readonly usual: boolean
}

/** Where goods lie; the usual place first. */
export const listPlaces = (db: Db): Promise<PlaceRow[]> =>
  db
    .select({ id: place.id, code: place.code, name: place.name, usual: place.usual })
    .from(place)
    .orderBy(desc(place.usual), asc(place.id))

export const insertPlace = insertOne(place)

export const updatePlace = async (db: Db, id: number, change: Partial<typeof place.$inferInsert>): Promise<void> => {
  await db.update(place).set(change).where(eq(place.id, id))
}

/** What ever was at a place, or is meant for it; null where nothing was. Nothing comes there until the transaction ends. */
export const findPlaceUse = async (db: Db, id: number): Promise<string | null> => {
  await db.select({ id: place.id }).from(place).where(eq(place.id, id)).for('update')
  return findUse(db, [
    ['A movement of stock', sql`select from stock_move where place_id = ${id}`],
    ['An item', sql`select from goods where place_id = ${id}`],
    ['A stock count', sql`select from stock_count where place_id = ${id}`],
    ['A receipt of goods', sql`select from goods_received where place_id = ${id}`],
  ])
}

export const deletePlace = async (db: Db, id: number): Promise<void> => {
  await db.delete(place).where(eq(place.id, id))
}

/** No place is the usual one, for the moment before another becomes it. */
export const clearUsualPlace = async (db: Db): Promise<void> => {
  await db.update(place).set({ usual: false }).where(eq(place.usual, true))
}

/** What lies of one thing in one place and batch on a day, and what it is worth. */
export interface StockRow extends PileAt {
  readonly quantity: Decimal
  readonly value: Money
}

/**
 * Everything that lay somewhere at the end of a day, of some goods or of all, with what it was worth; what is empty is left out.
 * What costs alike in several places or lots is shared out by quantity.
 */
export const listStockOn = async (
  db: Db,
  of: { readonly asOf: Day; readonly goodsIds?: readonly number[] },
  currency: string,
): Promise<StockRow[]> => {
  const rows = await db
    .select({
      goodsId: stockMove.goodsId,
      placeId: stockMove.placeId,
      batchId: stockMove.batchId,
      costing: goods.costing,
      quantity: sql<string>`sum(${stockMove.quantity})::text`,
      value: sql<string>`sum(${stockMove.value})::text`,
    })
    .from(stockMove)
    .innerJoin(goods, eq(goods.id, stockMove.goodsId))
    .where(and(lte(stockMove.onDay, of.asOf), of.goodsIds ? isOneOf(stockMove.goodsId, of.goodsIds) : undefined))
    .groupBy(stockMove.goodsId, stockMove.placeId, stockMove.batchId, goods.costing)
    .having(sql`sum(${stockMove.quantity}) <> 0 or sum(${stockMove.value}) <> 0`)
    .orderBy(asc(stockMove.goodsId), asc(stockMove.placeId), asc(stockMove.batchId))
  return shareWorth(
    rows.map((r) => ({ ...r, quantity: decimal(r.quantity), value: money(BigInt(r.value), currency) })),
    currency,
  )
    .filter((r) => !r.quantity.eq(0) || r.value.minor !== 0n)
    .map(({ costing: _costing, ...row }) => row)
}

/** How many of goods lie where now, in the order of goods, places and batches. */
export const listPiles = async (
  db: Db,
  goodsIds: readonly number[],
): Promise<readonly (typeof shelf.$inferSelect)[]> => {
  if (goodsIds.length === 0) return []
  const rows = await db
    .select()
    .from(shelf)
    .where(and(isOneOf(shelf.goodsId, [...new Set(goodsIds)]), ne(shelf.quantity, ZERO)))
  return rows.sort((a, b) => a.goodsId - b.goodsId || a.placeId - b.placeId || (a.batchId ?? 0) - (b.batchId ?? 0))
}

/**
 * What goods are worth, locked by their thing so that what is read is still so when the moves are written: how many lie where,
 * and what each pool of them is worth.
 */
export const lockStock = async (db: Db, goodsIds: readonly number[], currency: string) => {
  const ids = [...new Set(goodsIds)]
  if (ids.length === 0) return { piles: [], pools: new Map<string, Shelf>() }
  const costings = new Map(
    (
      await db
        .select({ id: goods.id, costing: goods.costing })
        .from(goods)
        .where(inArray(goods.id, ids))
        .orderBy(asc(goods.id))
        .for('no key update')
    ).map((g) => [g.id, g.costing]),
  )
  const [piles, pools] = await Promise.all([
    listPiles(db, ids),
    db
      .select()
      .from(pool)
      .where(and(inArray(pool.goodsId, ids), ne(pool.quantity, ZERO))),
  ])
  return {
    piles,
    pools: new Map(
      pools.map((p): [string, Shelf] => [
        poolOf(present(costings.get(p.goodsId)), { ...p, placeId: p.placeId ?? 0 }),
        { quantity: p.quantity, value: money(p.value, currency) },
      ]),
    ),
  }
}

/** What changed the piles of goods, day by day. */
export const listPileChanges = async (db: Db, goodsIds: readonly number[]): Promise<readonly PileChange[]> => {
  if (goodsIds.length === 0) return []
  const rows = await db
    .select({
      goodsId: stockMove.goodsId,
      placeId: stockMove.placeId,
      batchId: stockMove.batchId,
      on: stockMove.onDay,
      quantity: sql<string>`(sum(${stockMove.quantity}) * 10000)::bigint::text`,
      value: sql<string>`sum(${stockMove.value})::text`,
    })
    .from(stockMove)
    .where(isOneOf(stockMove.goodsId, [...new Set(goodsIds)]))
    .groupBy(stockMove.goodsId, stockMove.placeId, stockMove.batchId, stockMove.onDay)
  return rows.map((r) => ({ ...r, quantity: BigInt(r.quantity), value: BigInt(r.value) }))
}

/** Whether anything of a thing was ever moved. */
export const everMoved = async (db: Db, goodsId: number): Promise<boolean> =>
  (await db.select({ id: stockMove.id }).from(stockMove).where(eq(stockMove.goodsId, goodsId)).limit(1)).length > 0

/** A line of a stock card: positive came, negative left. */
export interface MoveRow extends Moved {
  readonly on: Day
  /** The line of a sale it is for. */
  readonly saleLineId?: number | null
}

export const insertMoves = async (
  db: Db,
  moves: readonly MoveRow[],
  paper: { readonly kind: string; readonly id: number },
): Promise<void> => {
  if (moves.length === 0) return
  await db.insert(stockMove).values(
    moves.map((m) => ({
      goodsId: m.goodsId,
      placeId: m.placeId,
      batchId: m.batchId,
      onDay: m.on,
      quantity: m.quantity,
      value: m.value.minor,
      paperKind: paper.kind,
      paperId: paper.id,
      saleLineId: m.saleLineId ?? null,
    })),
  )
}

/** What a paper moved, in the order in which it was written. */
export const listMovesOfPaper = async (
  db: Db,
  kind: string,
  id: number,
  currency: string,
): Promise<readonly (MoveRow & { readonly id: number })[]> => {
  const rows = await db
    .select()
    .from(stockMove)
    .where(and(eq(stockMove.paperKind, kind), eq(stockMove.paperId, id)))
    .orderBy(asc(stockMove.id))
  return rows.map((r) => ({ ...r, on: r.onDay, value: money(r.value, currency) }))
}

/** How many of a thing came in after a move of it: carried from place to place they did not come. */
export const sumCameAfter = async (
  db: Db,
  goodsId: number,
  { on, id }: { readonly on: Day; readonly id: number },
): Promise<Decimal> => {
  const [row] = await db.execute<{ came: string }>(sql`
    select coalesce(sum(quantity), 0)::text as came from stock_move
     where goods_id = ${goodsId} and quantity > 0 and paper_kind <> 'stock-transfer' and (on_day > ${on} or (on_day = ${on} and id > ${id}))`)
  return decimal(row?.came ?? '0')
}

/** All that came and left of a thing or of some of its batches, the oldest first; carried from place to place it did neither. */
export const listPassing = async (
  db: Db,
  goodsId: number,
  batchIds: readonly number[] = [],
): Promise<readonly { readonly id: number; readonly quantity: Decimal; readonly saleLineId: number | null }[]> =>
  db
    .select({ id: stockMove.id, quantity: stockMove.quantity, saleLineId: stockMove.saleLineId })
    .from(stockMove)
    .where(
      and(
        eq(stockMove.goodsId, goodsId),
        batchIds.length > 0 ? isOneOf(stockMove.batchId, batchIds) : undefined,
        ne(stockMove.paperKind, 'stock-transfer'),
        ne(stockMove.quantity, ZERO),
      ),
    )
    .orderBy(asc(stockMove.onDay), asc(stockMove.id))

/** What handovers moved, in the order in which it was written. */
export const listMovesOfHandovers = async (
  db: Db,
  handoverIds: readonly number[],
  currency: string,
): Promise<(MoveRow & { readonly handoverId: number })[]> => {
  if (handoverIds.length === 0) return []
  const rows = await db
    .select()
    .from(stockMove)
    .where(and(eq(stockMove.paperKind, 'handover'), isOneOf(stockMove.paperId, handoverIds)))
    .orderBy(asc(stockMove.id))
  return rows.map((r) => ({
    goodsId: r.goodsId,
    placeId: r.placeId,
    batchId: r.batchId,
    on: r.onDay,
    quantity: r.quantity,
    value: money(r.value, currency),
    saleLineId: r.saleLineId,
    handoverId: r.paperId,
  }))
}

/** How many of each thing are out of lines of sales: what left for them less what came back. */
export const listOutOfLines = async (db: Db, lineIds: readonly number[]) => {
  if (lineIds.length === 0) return []
  return db
    .select({
      lineId: sql`${stockMove.saleLineId}`.mapWith(Number),
      goodsId: stockMove.goodsId,
      out: sql`-sum(${stockMove.quantity})`.mapWith(decimal),
    })
    .from(stockMove)
    .where(isOneOf(stockMove.saleLineId, lineIds))
    .groupBy(stockMove.saleLineId, stockMove.goodsId)
}

/** How many of each thing may be handed over on a day, wherever they lie: lots that are past stay. */
export const sumUsable = async (db: Db, goodsIds: readonly number[], on: Day): Promise<Map<number, Decimal>> => {
  if (goodsIds.length === 0) return new Map()
  const ids = [...new Set(goodsIds)]
  const rows = await db.execute<{ goods_id: number; quantity: string }>(sql`
    with expired as materialized (select b.id, b.goods_id from batch b where b.expires < ${on} and ${isOneOf(sql`b.goods_id`, ids)}),
    past as (
      select s.goods_id, sum(s.quantity) as quantity
        from expired b join goods g on g.id = b.goods_id join shelf s on s.goods_id = b.goods_id and s.batch_id = b.id
       where g.track = 'lot' and s.quantity > 0 group by 1)
    select h.goods_id, (h.quantity - coalesce(p.quantity, 0))::text as quantity
      from on_hand h left join past p on p.goods_id = h.goods_id where ${isOneOf(sql`h.goods_id`, ids)}`)
  return new Map(rows.map((r) => [r.goods_id, decimal(r.quantity)]))
}

/** What lies altogether, by goods. */
export const sumShelves = async (
  db: Db,
  goodsIds: readonly number[],
  currency: string,
): Promise<Map<number, Shelf>> => {
  if (goodsIds.length === 0) return new Map()
  const rows = await db
    .select()
    .from(onHand)
    .where(isOneOf(onHand.goodsId, [...new Set(goodsIds)]))
  return new Map(rows.map((r) => [r.goodsId, { quantity: r.quantity, value: money(r.value, currency) }]))
}
