import { present } from '@/core/present'
import { asc, desc, eq, or, sql } from 'drizzle-orm'
import type { Decimal } from '@/core/money'
import type { Db } from '../connect'
import { goodsSupplier, supplier } from '../schema'
import { isOneOf, matchesWords } from './search'

export const listSuppliers = (db: Db, search = '') =>
  db
    .select()
    .from(supplier)
    .where(matchesWords(search, [supplier.name, supplier.email]))
    .orderBy(asc(supplier.name), asc(supplier.id))
    .limit(200)

export const findSupplier = async (db: Db, id: number) =>
  (await db.select().from(supplier).where(eq(supplier.id, id)))[0] ?? null

/** The supplier with a bank account, else the one of a name, whatever its case. */
export const findSupplierCalled = async (db: Db, called: { readonly name: string; readonly iban: string }) => {
  const [row] = await db
    .select({ id: supplier.id, name: supplier.name })
    .from(supplier)
    .where(
      or(
        called.iban === '' ? undefined : eq(supplier.iban, called.iban),
        called.name === '' ? undefined : sql`lower(${supplier.name}) = lower(${called.name})`,
        sql`false`,
      ),
    )
    .orderBy(desc(eq(supplier.iban, called.iban || '-')), asc(supplier.id))
    .limit(1)
  return row ?? null
}

export const insertSupplier = async (db: Db, row: typeof supplier.$inferInsert): Promise<number> =>
  present((await db.insert(supplier).values(row).returning({ id: supplier.id }))[0]).id

export const updateSupplier = async (
  db: Db,
  id: number,
  change: Partial<typeof supplier.$inferInsert>,
): Promise<void> => {
  if (Object.keys(change).length > 0) await db.update(supplier).set(change).where(eq(supplier.id, id))
}

export interface GoodsSupplierRow {
  readonly goodsId: number
  readonly supplierId: number
  readonly name: string
  readonly code: string
  readonly preferred: boolean
  readonly packSize: Decimal
  readonly unitCost: Decimal | null
}

/** Who sells things to us, the preferred one first. */
export const listGoodsSuppliers = async (db: Db, goodsIds: readonly number[]): Promise<GoodsSupplierRow[]> => {
  if (goodsIds.length === 0) return []
  const rows = await db
    .select({
      goodsId: goodsSupplier.goodsId,
      supplierId: supplier.id,
      name: supplier.name,
      code: goodsSupplier.code,
      preferred: goodsSupplier.preferred,
      packSize: goodsSupplier.packSize,
      unitCost: goodsSupplier.unitCost,
    })
    .from(goodsSupplier)
    .innerJoin(supplier, eq(supplier.id, goodsSupplier.supplierId))
    .where(isOneOf(goodsSupplier.goodsId, goodsIds))
    .orderBy(asc(goodsSupplier.goodsId), asc(supplier.name))
  return rows.sort((a, b) => Number(b.preferred) - Number(a.preferred))
}

export const replaceGoodsSuppliers = async (
  db: Db,
  goodsId: number,
  rows: readonly {
    readonly supplierId: number
    readonly code: string
    readonly preferred: boolean
    readonly packSize: Decimal
    readonly unitCost: Decimal | null
  }[],
): Promise<void> => {
  await db.delete(goodsSupplier).where(eq(goodsSupplier.goodsId, goodsId))
  if (rows.length > 0) await db.insert(goodsSupplier).values(rows.map((r) => ({ ...r, goodsId })))
}
