import type { Db } from '../connect'
import { place, shelf, stockMove } from '../schema'
import { present } from '@/core/present'
import { asc, desc, inArray, lte, sql, and, eq } from 'drizzle-orm'
import type { Shelf } from '@/core/stock'
import { decimal, money, type Decimal, type Money } from '@/core/money'
import { isOneOf } from './search'
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

export const insertPlace = async (db: Db, row: typeof place.$inferInsert): Promise<number> =>
  present((await db.insert(place).values(row).returning({ id: place.id }))[0]).id

export const updatePlace = async (db: Db, id: number, change: Partial<typeof place.$inferInsert>): Promise<void> => {
  await db.update(place).set(change).where(eq(place.id, id))
}

/** No place is the usual one, for the moment before another becomes it. */
export const clearUsualPlace = async (db: Db): Promise<void> => {
  await db.update(place).set({ usual: false }).where(eq(place.usual, true))
}

/** What lies of one thing in one place on a day, and what it is worth. */
export interface StockRow {
  readonly goodsId: number
  readonly placeId: number
  readonly quantity: Decimal
  readonly value: Money
}

/** Everything that lay somewhere at the end of a day, of some goods or of all, in one place or in all; what is empty is left out. */
export const listStockOn = async (
  db: Db,
  of: { readonly asOf: Day; readonly goodsIds?: readonly number[]; readonly placeId?: number },
  currency: string,
): Promise<StockRow[]> => {
  const rows = await db
    .select({
      goodsId: stockMove.goodsId,
      placeId: stockMove.placeId,
      quantity: sql<string>`sum(${stockMove.quantity})::text`,
      value: sql<string>`sum(${stockMove.value})::text`,
    })
    .from(stockMove)
    .where(
      and(
        lte(stockMove.onDay, of.asOf),
        of.goodsIds ? isOneOf(stockMove.goodsId, of.goodsIds) : undefined,
        of.placeId === undefined ? undefined : eq(stockMove.placeId, of.placeId),
      ),
    )
    .groupBy(stockMove.goodsId, stockMove.placeId)
    .having(sql`sum(${stockMove.quantity}) <> 0 or sum(${stockMove.value}) <> 0`)
    .orderBy(asc(stockMove.goodsId), asc(stockMove.placeId))
  return rows.map((r) => ({ ...r, quantity: decimal(r.quantity), value: money(BigInt(r.value), currency) }))
}

/** What lies where, of the goods asked for. Locks the rows, so that what is read is still so when the moves are written. */
export const lockShelves = async (
  db: Db,
  goodsIds: readonly number[],
  currency: string,
): Promise<{ goodsId: number; placeId: number; shelf: Shelf }[]> => {
  if (goodsIds.length === 0) return []
  const rows = await db
    .select()
    .from(shelf)
    .where(inArray(shelf.goodsId, [...new Set(goodsIds)]))
    .orderBy(asc(shelf.goodsId), asc(shelf.placeId))
    .for('update')
  return rows.map((r) => ({
    goodsId: r.goodsId,
    placeId: r.placeId,
    shelf: { quantity: decimal(r.quantity), value: money(r.value, currency) },
  }))
}

/** What changed the shelves of goods, day by day: ten-thousandths of the quantity, and minor units of the value. */
export const listShelfChanges = async (db: Db, goodsIds: readonly number[]) => {
  if (goodsIds.length === 0) return []
  const rows = await db
    .select({
      goodsId: stockMove.goodsId,
      placeId: stockMove.placeId,
      on: stockMove.onDay,
      quantity: sql<string>`(sum(${stockMove.quantity}) * 10000)::bigint::text`,
      value: sql<string>`sum(${stockMove.value})::text`,
    })
    .from(stockMove)
    .where(isOneOf(stockMove.goodsId, [...new Set(goodsIds)]))
    .groupBy(stockMove.goodsId, stockMove.placeId, stockMove.onDay)
  return rows.map((r) => ({ ...r, on: r.on, quantity: BigInt(r.quantity), value: BigInt(r.value) }))
}

export interface MoveRow {
  readonly goodsId: number
  readonly placeId: number
  readonly on: Day
  readonly quantity: Decimal
  readonly value: Money
}

export const insertMoves = async (
  db: Db,
  moves: readonly MoveRow[],
  paper: { readonly kind: string; readonly id: number },
): Promise<void> => {
  if (moves.length === 0) return
  const sorted = [...moves].sort((a, b) => a.goodsId - b.goodsId || a.placeId - b.placeId)
  await db.insert(stockMove).values(
    sorted.map((m) => ({
      goodsId: m.goodsId,
      placeId: m.placeId,
      onDay: m.on,
      quantity: m.quantity,
      value: m.value.minor,
      paperKind: paper.kind,
      paperId: paper.id,
    })),
  )
}

/** What a paper moved. */
export const listMovesOf = async (
  db: Db,
  paper: { readonly kind: string; readonly ids: readonly number[] },
  currency: string,
): Promise<MoveRow[]> => {
  if (paper.ids.length === 0) return []
  const rows = await db
    .select()
    .from(stockMove)
    .where(and(eq(stockMove.paperKind, paper.kind), isOneOf(stockMove.paperId, paper.ids)))
  return rows.map((r) => ({
    goodsId: r.goodsId,
    placeId: r.placeId,
    on: r.onDay,
    quantity: decimal(r.quantity),
    value: money(r.value, currency),
  }))
}

export interface CardLine {
  readonly id: number
  readonly on: Day
  readonly quantity: Decimal
  readonly value: Money
  readonly paperKind: string
  readonly paperId: number
  readonly paper: string
  readonly placeId: number
  readonly place: string
  readonly runningQuantity: Decimal
  readonly runningValue: Money
}

/** The lines of a stock card, newest first, each with quantity and value after it. */
export const listStockCard = async (db: Db, goodsId: number, currency: string): Promise<CardLine[]> => {
  const rows = await db.execute<{
    id: number
    on: Day
    quantity: string
    value: string
    paper_kind: string
    paper_id: number
    paper: string
    place_id: number
    place: string
    running_quantity: string
    running_value: string
  }>(sql`
    select m.id, m.on_day::text as on, m.quantity, m.value::text, m.paper_kind, m.paper_id,
           coalesce(h.number, n.number, t.number, a.number, '') as paper, m.place_id, p.name as place,
           (sum(m.quantity) over w)::text as running_quantity, (sum(m.value) over w)::text as running_value
      from stock_move m
      join place p on p.id = m.place_id
      left join handover h on m.paper_kind = 'handover' and h.id = m.paper_id
      left join stock_count n on m.paper_kind = 'stock-count' and n.id = m.paper_id
      left join stock_transfer t on m.paper_kind = 'stock-transfer' and t.id = m.paper_id
      left join stock_adjustment a on m.paper_kind = 'stock-adjustment' and a.id = m.paper_id
     where m.goods_id = ${goodsId}
    window w as (order by m.on_day, m.id) order by m.on_day desc, m.id desc`)
  return rows.map((r) => ({
    id: r.id,
    on: r.on,
    quantity: decimal(r.quantity),
    value: money(BigInt(r.value), currency),
    paperKind: r.paper_kind,
    paperId: r.paper_id,
    paper: r.paper,
    placeId: r.place_id,
    place: r.place,
    runningQuantity: decimal(r.running_quantity),
    runningValue: money(BigInt(r.running_value), currency),
  }))
}

/** What lies where, by name of the place. */
export const listShelves = async (db: Db, goodsIds: readonly number[]) => {
  if (goodsIds.length === 0) return []
  const rows = await db
    .select({ goodsId: shelf.goodsId, place: place.name, quantity: shelf.quantity })
    .from(shelf)
    .innerJoin(place, eq(place.id, shelf.placeId))
    .where(inArray(shelf.goodsId, [...new Set(goodsIds)]))
    .orderBy(asc(place.id))
  return rows.map((r) => ({ ...r, quantity: decimal(r.quantity) }))
}

/** What lies altogether, by goods. */
export const sumShelves = async (
  db: Db,
  goodsIds: readonly number[],
  currency: string,
): Promise<Map<number, Shelf>> => {
  if (goodsIds.length === 0) return new Map()
  const rows = await db
    .select({
      goodsId: shelf.goodsId,
      quantity: sql<string>`sum(${shelf.quantity})::text`,
      value: sql<string>`sum(${shelf.value})::text`,
    })
    .from(shelf)
    .where(inArray(shelf.goodsId, [...new Set(goodsIds)]))
    .groupBy(shelf.goodsId)
  return new Map(
    rows.map((r) => [r.goodsId, { quantity: decimal(r.quantity), value: money(BigInt(r.value), currency) }]),
  )
}
