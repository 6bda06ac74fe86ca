import { piecesOf } from '@/core/piecesOf'
import { present } from '@/core/present'
import { and, asc, eq, inArray, ne, or, sql, type SQL, type SQLWrapper } from 'drizzle-orm'
import type { Costing, GoodsKind, Track } from '@/core/kinds'
import { type Decimal } from '@/core/money'
import type { Db } from '../connect'
import { goods, goodsPart, goodsSupplier } from '../schema'
import { insertMany, updateMany } from '../manyRows'
import { goodsScanned, isCalled, type CalledSo } from './called'
import { inOrder, type Part as ListPart } from './inOrder'
import { isOneOf, matchesWords } from './search'

export type { GoodsKind }

export interface Part {
  readonly goodsId: number
  readonly quantity: Decimal
}

export interface Goods {
  readonly id: number
  readonly code: string
  readonly name: string
  readonly kind: GoodsKind
  readonly price: Decimal
  readonly taxCodeId: number
  readonly incomeAccountId: number
  readonly barcode: string
  readonly note: string
  readonly tags: readonly string[]
  /** In kilograms. */
  readonly weight: Decimal | null
  readonly size: string
  readonly reorderAt: Decimal | null
  /** A kit that costs what its parts cost the customer together. */
  readonly priceIsSum: boolean
  readonly onShopfront: boolean
  readonly pictureFileId: number | null
  readonly retired: boolean
  /** How its pieces are told apart, and what one costs that leaves. */
  readonly track: Track
  readonly costing: Costing
  readonly warrantyMonths: number | null
  /** Its usual place, where it has one of its own. */
  readonly placeId: number | null
  readonly parts: readonly Part[]
}

const withParts = async (db: Db, rows: readonly (typeof goods.$inferSelect)[]): Promise<Goods[]> => {
  const kits = rows.filter((r) => r.kind === 'kit').map((r) => r.id)
  const parts =
    kits.length === 0
      ? []
      : await db.select().from(goodsPart).where(inArray(goodsPart.kitId, kits)).orderBy(asc(goodsPart.partId))
  return rows.map((r) => ({
    ...r,
    parts: parts.filter((p) => p.kitId === r.id).map((p) => ({ goodsId: p.partId, quantity: p.quantity })),
  }))
}

export const findGoods = async (db: Db, ids: readonly number[]): Promise<Map<number, Goods>> => {
  if (ids.length === 0) return new Map()
  const rows = await db
    .select()
    .from(goods)
    .where(isOneOf(goods.id, [...new Set(ids)]))
  return new Map((await withParts(db, rows)).map((g) => [g.id, g]))
}

/** Goods whose code or barcode is exactly what was scanned or typed. */
export const findGoodsByCode = async (db: Db, code: string): Promise<Goods | null> => {
  const rows = await db
    .select()
    .from(goods)
    .where(sql`lower(${goods.code}) = lower(${code}) or (${goods.barcode} <> '' and ${goods.barcode} = ${code})`)
  return (await withParts(db, rows))[0] ?? null
}

/** Whether anything is kept by lot or serial. */
export const tracksPieces = async (db: Db): Promise<boolean> =>
  (await db.select({ id: goods.id }).from(goods).where(ne(goods.track, 'none')).limit(1)).length > 0

/** So many are asked for before others have their turn. */
const AT_ONCE = 1_000

/** Goods by code, whatever its case. */
export const findGoodsByCodes = async (
  db: Db,
  codes: readonly string[],
): Promise<Map<string, { id: number; kind: GoodsKind; name: string }>> => {
  const found = new Map<string, { id: number; kind: GoodsKind; name: string }>()
  for (const some of piecesOf(codes, AT_ONCE)) {
    const rows = await db
      .select({ id: goods.id, code: goods.code, kind: goods.kind, name: goods.name })
      .from(goods)
      .where(sql`lower(${goods.code}) = any(${sql.param(some.map((c) => c.toLowerCase()))})`)
    for (const { code, ...row } of rows) found.set(code.toLowerCase(), row)
  }
  return found
}

/** Adds many goods, and answers their ids in this order. */
export const insertManyGoods = insertMany(goods)

/** Changes many goods; what a row leaves out stays. */
export const updateManyGoods = updateMany(goods)

export interface GoodsFilter {
  readonly search?: string
  readonly kind?: GoodsKind
  readonly tag?: string
  /** Retired goods instead of those in use. */
  readonly retired?: boolean
  readonly onShopfront?: boolean
  /** What can be counted: goods in stock, and kits that lie assembled. */
  readonly counted?: boolean
  /** Fewer on the shelf than the point to buy more at. */
  readonly low?: boolean
  /** What has this code, barcode, serial or lot exactly, whatever its case. */
  readonly named?: string
  readonly called?: CalledSo
}

const ORDERS: Readonly<Record<string, SQLWrapper>> = {
  code: sql`plain_text(${goods.code})`,
  name: sql`plain_text(${goods.name})`,
  kind: goods.kind,
  barcode: sql`nullif(${goods.barcode}, '')`,
  weight: goods.weight,
  reorderAt: goods.reorderAt,
}
/** What the query can order goods by; anything else takes them all. */
export const ordersGoods = (by: string): boolean => Object.hasOwn(ORDERS, by)

/** A piece of it has this serial or lot. */
const hasPiece = (name: string): SQL =>
  sql`exists (select from batch b where b.goods_id = ${goods.id} and (lower(b.serial) = lower(${name}) or lower(b.lot) = lower(${name})))`

/** Goods that fit, by code where no order is asked for. */
export const listGoods = async (
  db: Db,
  filter: GoodsFilter,
  part: ListPart<{ readonly code: string }>,
): Promise<Goods[]> => {
  const all = db
    .select()
    .from(goods)
    .where(
      and(
        // As the indexes of a few say it: a parameter is none of theirs.
        filter.retired ? sql`${goods.retired}` : sql`not ${goods.retired}`,
        filter.tag ? sql`${filter.tag} = any(${goods.tags})` : undefined,
        filter.onShopfront ? sql`${goods.onShopfront}` : undefined,
        filter.low
          ? sql`${goods.reorderAt} is not null and ${goods.reorderAt} >= (select coalesce(sum(s.quantity), 0) from shelf s where s.goods_id = ${goods.id})`
          : undefined,
        filter.kind ? eq(goods.kind, filter.kind) : undefined,
        filter.counted
          ? sql`(${goods.kind} = 'stock' or exists (select from shelf s where s.goods_id = ${goods.id} and s.quantity > 0))`
          : undefined,
        filter.search
          ? or(
              matchesWords(filter.search, [goods.code, goods.name, goods.barcode]),
              // Who looks at the online shop is told nothing of single pieces.
              filter.onShopfront ? undefined : hasPiece(filter.search),
            )
          : undefined,
        filter.named ? sql`${goods.id} in (${goodsScanned(filter.named)})` : undefined,
        isCalled(goods.id, filter.called),
        part.after ? sql`${goods.code} > ${part.after.code}` : undefined,
      ),
    )
    .orderBy(inOrder(ORDERS, part.order, sql`${goods.code} asc`))
    .offset(part.offset ?? 0)
  return withParts(db, await (part.limit === undefined ? all : all.limit(part.limit)))
}

export const insertGoods = async (db: Db, row: typeof goods.$inferInsert, parts: readonly Part[]): Promise<number> => {
  const made = present((await db.insert(goods).values(row).returning({ id: goods.id }))[0])
  if (parts.length > 0) {
    await db.insert(goodsPart).values(parts.map((p) => ({ kitId: made.id, partId: p.goodsId, quantity: p.quantity })))
  }
  return made.id
}

export const updateGoods = async (db: Db, id: number, change: Partial<typeof goods.$inferInsert>): Promise<void> => {
  await db.update(goods).set(change).where(eq(goods.id, id))
}

/** A kit is made of these from now on. */
export const replaceParts = async (db: Db, kitId: number, parts: readonly Part[]): Promise<void> => {
  await db.delete(goodsPart).where(eq(goodsPart.kitId, kitId))
  if (parts.length > 0)
    await db.insert(goodsPart).values(parts.map((p) => ({ kitId, partId: p.goodsId, quantity: p.quantity })))
}

/** What somebody else calls a thing: their own code for it, ours, its bar code, its name. Empty where they do not say. */
export interface Called {
  readonly seller: string
  readonly buyer: string
  readonly standard: string
  readonly name: string
}

/** The things that a supplier's invoice speaks of, in its order: by the supplier's code first; null where none is meant. */
export const listGoodsCalled = async (
  db: Db,
  supplierId: number,
  called: readonly Called[],
): Promise<readonly (number | null)[]> => {
  const names = [...new Set(called.flatMap((c) => [c.seller, c.buyer, c.standard, c.name]))]
    .filter((n) => n !== '')
    .map((n) => n.toLowerCase())
  if (names.length === 0) return called.map(() => null)
  const rows = await db
    .select({ id: goods.id, code: goods.code, barcode: goods.barcode, name: goods.name, theirs: goodsSupplier.code })
    .from(goods)
    .leftJoin(goodsSupplier, and(eq(goodsSupplier.goodsId, goods.id), eq(goodsSupplier.supplierId, supplierId)))
    .where(
      or(
        inArray(sql`lower(${goods.code})`, names),
        inArray(sql`lower(${goods.name})`, names),
        and(ne(goods.barcode, ''), inArray(sql`lower(${goods.barcode})`, names)),
        inArray(sql`lower(${goodsSupplier.code})`, names),
      ),
    )
    .orderBy(asc(goods.id))
  const same = (a: string | null, b: string): boolean => b !== '' && a?.toLowerCase() === b.toLowerCase()
  return called.map((c) => {
    const found =
      rows.find((r) => same(r.theirs, c.seller)) ??
      rows.find((r) => same(r.code, c.buyer)) ??
      rows.find((r) => same(r.barcode, c.standard)) ??
      rows.find((r) => same(r.name, c.name))
    return found?.id ?? null
  })
}
