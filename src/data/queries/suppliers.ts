import { present } from '@/core/present'
import type { Day } from '@/core/day'
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

/** Who is called so, or has such an address of e-mail, whatever the case. */
export const listSuppliersCalled = async (
  db: Db,
  called: readonly string[],
): Promise<readonly { readonly id: number; readonly name: string; readonly email: string }[]> => {
  const wanted = sql.param([...new Set(called.map((n) => n.trim().toLowerCase()))].filter((n) => n !== ''))
  return db.execute(sql`
    select id, name, email from supplier
     where lower(name) = any(${wanted}::text[]) or lower(email) = any(${wanted}::text[]) order by id`)
}

/** How long suppliers took from an order to what came of it, over the last two years: in days on average, and of how many orders. */
export const listDeliveryDays = async (
  db: Db,
  supplierIds: readonly number[],
  since: Day,
): Promise<ReadonlyMap<number, { readonly days: number; readonly orders: number }>> => {
  if (supplierIds.length === 0) return new Map()
  const rows = await db.execute<{ supplier_id: number; days: string; orders: number }>(sql`
    select o.supplier_id, ceil(avg(r.first_on - o.sent_on))::text as days, count(*)::int as orders
      from purchase_order o join lateral (select min(on_day) as first_on from goods_received g where g.order_id = o.id) r on true
     where ${isOneOf(sql`o.supplier_id`, supplierIds)} and o.sent_on >= ${since} and r.first_on >= o.sent_on and not o.direct
     group by 1`)
  return new Map(rows.map((r) => [r.supplier_id, { days: Number(r.days), orders: r.orders }]))
}

/** What suppliers billed us from a day on, without tax, less what they credited. */
export const sumBought = async (db: Db, supplierId: number, since: Day): Promise<bigint> => {
  const [row] = await db.execute<{ net: string }>(sql`
    select (coalesce(sum(b.net), 0) - coalesce((select sum(c.net) from supplier_credit c join bill x on x.id = c.bill_id
              where x.supplier_id = ${supplierId} and c.on_day >= ${since} and c.voided_on is null), 0))::text as net
      from bill b where b.supplier_id = ${supplierId} and b.on_day >= ${since} and b.voided_on is null`)
  return BigInt(row?.net ?? 0)
}

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
