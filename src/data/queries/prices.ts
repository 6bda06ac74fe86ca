import { and, asc, eq, inArray, isNull, or, sql } from 'drizzle-orm'

import type { PriceLevel, PriceOffer } from '@/core/price'
import { insertOne } from '../builtOnce'
import type { Db } from '../connect'
import { findUse } from './uses'
import { price, priceLevel, taxArea, taxCode } from '../schema'

export interface KeptPriceLevel extends PriceLevel {
  readonly code: string
  readonly pricesIncludeTax: boolean | null
}

export const listPriceLevels = async (db: Db): Promise<KeptPriceLevel[]> =>
  db.select().from(priceLevel).orderBy(asc(priceLevel.id))

/** The level a customer's price level names; null where they pay what everybody pays. */
export const findPriceLevel = async (db: Db, code: string): Promise<KeptPriceLevel | null> => {
  if (code === '') return null
  const [row] = await db
    .select()
    .from(priceLevel)
    .where(sql`lower(${priceLevel.code}) = lower(${code})`)
  return row ?? null
}

export const insertPriceLevel = insertOne(priceLevel)

export const updatePriceLevel = async (
  db: Db,
  id: number,
  change: Partial<typeof priceLevel.$inferInsert>,
): Promise<boolean> =>
  (await db.update(priceLevel).set(change).where(eq(priceLevel.id, id)).returning({ id: priceLevel.id })).length > 0

/** What uses a price level; null where nothing does. Nobody sets a price for it until the transaction ends. */
export const findPriceLevelUse = async (db: Db, { id, code }: Pick<KeptPriceLevel, 'id' | 'code'>) => {
  await db.select({ id: priceLevel.id }).from(priceLevel).where(eq(priceLevel.id, id)).for('update')
  return findUse(db, [
    ['A customer', sql`select from customer where lower(price_level) = lower(${code})`],
    ['An item', sql`select from price where level_id = ${id}`],
  ])
}

export const deletePriceLevel = async (db: Db, id: number): Promise<void> => {
  await db.delete(priceLevel).where(eq(priceLevel.id, id))
}

export interface KeptPrice extends PriceOffer {
  readonly id: number
  readonly goodsId: number
}

/** Prices beside the list: those for everybody, and those of one level (`'every'`: of all levels). */
export const listPrices = async (
  db: Db,
  goodsIds: readonly number[],
  levelId: number | null | 'every',
): Promise<KeptPrice[]> => {
  if (goodsIds.length === 0) return []
  const rows = await db
    .select()
    .from(price)
    .where(
      and(
        inArray(price.goodsId, [...new Set(goodsIds)]),
        levelId === 'every'
          ? undefined
          : or(isNull(price.levelId), levelId === null ? undefined : eq(price.levelId, levelId)),
      ),
    )
    .orderBy(asc(price.goodsId), asc(price.fromQuantity), asc(price.id))
  return rows.filter((r) => levelId !== null || r.levelId === null)
}

export const replacePrices = async (
  db: Db,
  goodsId: number,
  rows: readonly Omit<typeof price.$inferInsert, 'goodsId'>[],
): Promise<void> => {
  await db.delete(price).where(eq(price.goodsId, goodsId))
  if (rows.length > 0) await db.insert(price).values(rows.map((r) => ({ ...r, goodsId })))
}

export const listTaxAreas = (db: Db) =>
  db
    .select({
      id: taxArea.id,
      code: taxArea.code,
      name: taxArea.name,
      taxCodeId: taxArea.taxCodeId,
      taxCode: taxCode.code,
    })
    .from(taxArea)
    .innerJoin(taxCode, eq(taxCode.id, taxArea.taxCodeId))
    .orderBy(asc(taxArea.code))

export const insertTaxArea = insertOne(taxArea)

export const updateTaxArea = async (
  db: Db,
  id: number,
  change: Partial<typeof taxArea.$inferInsert>,
): Promise<void> => {
  await db.update(taxArea).set(change).where(eq(taxArea.id, id))
}

/** What uses a tax area; null where nothing does. */
export const findTaxAreaUse = (db: Db, code: string) =>
  findUse(db, [['An address', sql`select from address where lower(tax_area) = lower(${code})`]])

export const deleteTaxArea = async (db: Db, id: number): Promise<void> => {
  await db.delete(taxArea).where(eq(taxArea.id, id))
}
