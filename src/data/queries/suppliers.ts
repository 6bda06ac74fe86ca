import type { Day } from '@/core/day'
import { asc, desc, eq, getTableColumns, or, sql, type SQL } from 'drizzle-orm'
import type { AnyPgColumn } from 'drizzle-orm/pg-core'
import type { Seller } from '@/core/buying'
import { plainText } from '@/core/plainText'
import { rowsBy } from '@/core/rowsBy'
import { insertOne } from '../builtOnce'
import type { Db } from '../connect'
import { goodsSupplier, supplier, supplierAddress, supplierContact, supplierPrice, taxCode } from '../schema'
import { isOneOf, matchesPeople, plain } from './search'

/** Suppliers, each with the code that their bills usually are taxed with. */
const suppliers = (db: Db) =>
  db
    .select({ ...getTableColumns(supplier), taxCode: taxCode.code })
    .from(supplier)
    .leftJoin(taxCode, eq(taxCode.id, supplier.taxCodeId))

/** Suppliers by name; of a search, first who is called so. */
export const listSuppliers = (db: Db, search = '') =>
  suppliers(db)
    .where(
      matchesPeople(search, {
        id: supplier.id,
        columns: [supplier.name, supplier.email],
        phone: supplier.phone,
        contacts: sql`supplier_contact`,
        of: sql`supplier_id`,
      }),
    )
    .orderBy(desc(sql`${plain(supplier.name)} = ${plainText(search.trim())}`), plain(supplier.name), asc(supplier.id))

export const findSupplier = async (db: Db, id: number) => (await suppliers(db).where(eq(supplier.id, id)))[0] ?? null

/** The supplier that a customer is too. */
export const findSupplierOfCustomer = async (db: Db, customerId: number) =>
  (await db.select().from(supplier).where(eq(supplier.customerId, customerId)))[0] ?? null

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

/** A number of a tax authority without what it is written with: spaces, dots and dashes. */
const plainNumber = (x: SQL | AnyPgColumn): SQL => sql`upper(regexp_replace(${x}, '[^[:alnum:]]', '', 'g'))`

/** The supplier with a tax number, or a bank account, else the one of a name, whatever its case. */
export const findSupplierCalled = async (
  db: Db,
  called: { readonly name: string; readonly iban: string; readonly taxId: string },
) => {
  const taxId = called.taxId.replace(/[^\p{L}\p{N}]/gu, '').toUpperCase()
  const hasTaxId = sql`(${taxId} <> '' and ${plainNumber(supplier.taxNumber)} = ${taxId})`
  const [row] = await db
    .select({ id: supplier.id, name: supplier.name, taxCode: taxCode.code })
    .from(supplier)
    .leftJoin(taxCode, eq(taxCode.id, supplier.taxCodeId))
    .where(
      or(
        hasTaxId,
        called.iban === '' ? undefined : eq(supplier.iban, called.iban),
        called.name === '' ? undefined : sql`lower(${supplier.name}) = lower(${called.name})`,
        sql`false`,
      ),
    )
    .orderBy(desc(hasTaxId), desc(eq(supplier.iban, called.iban || '-')), asc(supplier.id))
    .limit(1)
  return row ?? null
}

export const insertSupplier = insertOne(supplier)

export const updateSupplier = async (
  db: Db,
  id: number,
  change: Partial<typeof supplier.$inferInsert>,
): Promise<void> => {
  if (Object.keys(change).length > 0) await db.update(supplier).set(change).where(eq(supplier.id, id))
}

export interface GoodsSupplierRow extends Seller {
  readonly goodsId: number
  readonly supplierId: number
  readonly name: string
  readonly code: string
}

/** Who sells things to us, the preferred one first, with what they ask from which quantity and day on. */
export const listGoodsSuppliers = async (db: Db, goodsIds: readonly number[]): Promise<GoodsSupplierRow[]> => {
  if (goodsIds.length === 0) return []
  const isOfGoods = (column: AnyPgColumn) => isOneOf(column, goodsIds)
  const sellers = db
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
    .where(isOfGoods(goodsSupplier.goodsId))
    .orderBy(asc(goodsSupplier.goodsId), plain(supplier.name))
  const prices = db
    .select()
    .from(supplierPrice)
    .where(isOfGoods(supplierPrice.goodsId))
    .orderBy(asc(supplierPrice.fromQuantity), asc(supplierPrice.id))
  const [rows, all] = await Promise.all([sellers, prices])
  const key = (x: { readonly goodsId: number; readonly supplierId: number }) => `${x.goodsId}:${x.supplierId}`
  const steps = rowsBy(all, key)
  return rows
    .map((r) => ({
      ...r,
      steps: (steps.get(key(r)) ?? []).map(({ fromQuantity, unitCost, validFrom, validUntil }) => ({
        fromQuantity,
        unitCost,
        validFrom,
        validUntil,
      })),
    }))
    .sort((a, b) => Number(b.preferred) - Number(a.preferred))
}

export const replaceGoodsSuppliers = async (
  db: Db,
  goodsId: number,
  rows: readonly Omit<GoodsSupplierRow, 'goodsId' | 'name'>[],
): Promise<void> => {
  await db.delete(goodsSupplier).where(eq(goodsSupplier.goodsId, goodsId))
  if (rows.length > 0) await db.insert(goodsSupplier).values(rows.map(({ steps: _steps, ...r }) => ({ ...r, goodsId })))
  const prices = rows.flatMap(({ supplierId, steps }) => steps.map((s) => ({ ...s, goodsId, supplierId })))
  if (prices.length > 0) await db.insert(supplierPrice).values(prices)
}

/** Where suppliers take orders, returns or checks, where that is not their address. */
export const listSupplierAddresses = async (
  db: Db,
  supplierIds: readonly number[],
): Promise<readonly (typeof supplierAddress.$inferSelect)[]> =>
  supplierIds.length === 0
    ? []
    : db
        .select()
        .from(supplierAddress)
        .where(isOneOf(supplierAddress.supplierId, supplierIds))
        .orderBy(asc(supplierAddress.use))

export const replaceSupplierAddresses = async (
  db: Db,
  supplierId: number,
  rows: readonly Omit<typeof supplierAddress.$inferInsert, 'supplierId'>[],
): Promise<void> => {
  await db.delete(supplierAddress).where(eq(supplierAddress.supplierId, supplierId))
  if (rows.length > 0) await db.insert(supplierAddress).values(rows.map((r) => ({ ...r, supplierId })))
}

/** Whom to ask for at suppliers’, in the order in which they were written. */
export const listSupplierContacts = async (
  db: Db,
  supplierIds: readonly number[],
): Promise<readonly (typeof supplierContact.$inferSelect)[]> =>
  supplierIds.length === 0
    ? []
    : db
        .select()
        .from(supplierContact)
        .where(isOneOf(supplierContact.supplierId, supplierIds))
        .orderBy(asc(supplierContact.id))

export const replaceSupplierContacts = async (
  db: Db,
  supplierId: number,
  rows: readonly Omit<typeof supplierContact.$inferInsert, 'supplierId'>[],
): Promise<void> => {
  await db.delete(supplierContact).where(eq(supplierContact.supplierId, supplierId))
  if (rows.length > 0) await db.insert(supplierContact).values(rows.map((r) => ({ ...r, supplierId })))
}
