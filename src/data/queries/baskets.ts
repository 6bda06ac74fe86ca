import type { Day } from '@/core/day'
import { and, asc, desc, eq, inArray, isNull, lt, sql } from 'drizzle-orm'
import { type Decimal } from '@/core/money'
import { insertOne } from '../builtOnce'
import type { Db } from '../connect'
import { basket, basketLine } from '../schema'

export interface BasketRow {
  readonly id: number
  readonly name: string
  readonly email: string
  readonly phone: string
  readonly deliverTo: string
  readonly note: string
  readonly turn: number
  readonly startedOn: string
  readonly touchedAt: Date
  readonly saleId: number | null
}

const FACTS = {
  id: basket.id,
  name: basket.name,
  email: basket.email,
  phone: basket.phone,
  deliverTo: basket.deliverTo,
  note: basket.note,
  turn: basket.turn,
  startedOn: basket.startedOn,
  touchedAt: basket.touchedAt,
  saleId: basket.saleId,
}

export const insertBasket = insertOne(basket)

/** How many baskets were begun on a day. */
export const countBasketsOf = async (db: Db, on: Day): Promise<number> => db.$count(basket, eq(basket.startedOn, on))

/** Forgets baskets begun before a day that nobody ordered, nor touched for as long as a browser keeps its secret. */
export const dropOldBaskets = async (db: Db, before: Day): Promise<void> => {
  const old = db
    .select({ id: basket.id })
    .from(basket)
    .where(
      and(isNull(basket.saleId), lt(basket.startedOn, before), lt(basket.touchedAt, sql`now() - interval '30 days'`)),
    )
  await db.delete(basketLine).where(inArray(basketLine.basketId, old))
  await db.delete(basket).where(inArray(basket.id, old))
}

export const findBasket = async (db: Db, id: number): Promise<BasketRow | null> =>
  (await db.select(FACTS).from(basket).where(eq(basket.id, id)))[0] ?? null

/** The open basket a browser's secret names. */
export const findBasketOf = async (db: Db, tokenHash: string): Promise<BasketRow | null> =>
  (
    await db
      .select(FACTS)
      .from(basket)
      .where(and(eq(basket.tokenHash, tokenHash), isNull(basket.saleId)))
  )[0] ?? null

/** Takes a basket for this transaction: both sides may have their hands in it. */
export const lockBasket = async (db: Db, id: number): Promise<BasketRow | null> =>
  (await db.select(FACTS).from(basket).where(eq(basket.id, id)).for('update'))[0] ?? null

/** What nobody ordered yet, with something in it. */
const OPEN = and(isNull(basket.saleId), sql`exists (select from basket_line l where l.basket_id = ${basket.id})`)

export const countOpenBaskets = async (db: Db): Promise<number> => db.$count(basket, OPEN)

/** Part of the open baskets: so many, after the one that was last touched at a moment, to the last digit of it. */
export interface BasketPart {
  readonly limit?: number
  readonly offset?: number
  readonly after?: { readonly touched: string; readonly id: number }
}

/** Baskets not ordered yet with something in them, the one last touched first. */
export const listOpenBaskets = async (db: Db, { limit, offset = 0, after }: BasketPart) => {
  const rows = db
    .select({
      ...FACTS,
      /** As exactly as the database knows it. */
      touched: sql<string>`to_char(${basket.touchedAt} at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"')`,
      things: sql<number>`(select count(*) from basket_line l where l.basket_id = ${basket.id})::int`,
    })
    .from(basket)
    .where(
      and(OPEN, after && sql`(${basket.touchedAt}, ${basket.id}) < (${after.touched}::timestamptz, ${after.id}::int)`),
    )
    .orderBy(desc(basket.touchedAt), desc(basket.id))
    .offset(offset)
  return limit === undefined ? rows : rows.limit(limit)
}

/** Changes a basket's facts, and counts the turn. */
export const touchBasket = async (
  db: Db,
  id: number,
  change: Partial<typeof basket.$inferInsert> = {},
): Promise<void> => {
  await db
    .update(basket)
    .set({ ...change, turn: sql`${basket.turn} + 1`, touchedAt: sql`now()` })
    .where(eq(basket.id, id))
}

export const listBasketLines = async (db: Db, basketId: number): Promise<{ goodsId: number; quantity: Decimal }[]> =>
  db
    .select({ goodsId: basketLine.goodsId, quantity: basketLine.quantity })
    .from(basketLine)
    .where(eq(basketLine.basketId, basketId))
    .orderBy(asc(basketLine.id))

/** So many of a thing in a basket; none takes it out. */
export const setBasketLine = async (db: Db, basketId: number, goodsId: number, quantity: Decimal): Promise<void> => {
  if (quantity.eq(0)) {
    await db.delete(basketLine).where(and(eq(basketLine.basketId, basketId), eq(basketLine.goodsId, goodsId)))
    return
  }
  await db
    .insert(basketLine)
    .values({ basketId, goodsId, quantity })
    .onConflictDoUpdate({
      target: [basketLine.basketId, basketLine.goodsId],
      set: { quantity },
    })
}
