import { and, eq, sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { decimal, type Decimal } from '@/core/money'
import { present } from '@/core/present'
import type { Batch } from '@/core/stock'
import type { Db } from '../connect'
import { batch, goods } from '../schema'
import { isOneOf } from './search'
import { paperNumber, paperOfMove } from './stockCard'

const asBatch = (row: typeof batch.$inferSelect): Batch => ({
  id: row.id,
  goodsId: row.goodsId,
  lot: row.lot,
  expires: row.expires,
  serial: row.serial,
  cameOn: row.cameOn,
})

/** Batches by their ids. */
export const findBatches = async (db: Db, ids: readonly number[]): Promise<Map<number, Batch>> => {
  if (ids.length === 0) return new Map()
  const rows = await db
    .select()
    .from(batch)
    .where(isOneOf(batch.id, [...new Set(ids)]))
  return new Map(rows.map((r) => [r.id, asBatch(r)]))
}

/** The batch of a serial of a thing, wherever it is. */
export const findSerial = async (db: Db, goodsId: number, serial: string): Promise<Batch | null> => {
  const [row] = await db
    .select()
    .from(batch)
    .where(and(eq(batch.goodsId, goodsId), sql`lower(${batch.serial}) = lower(${serial})`))
  return row ? asBatch(row) : null
}

/** The batches of a lot of a thing, the first to come first. */
export const listLot = async (db: Db, goodsId: number, lot: string): Promise<Batch[]> => {
  const rows = await db
    .select()
    .from(batch)
    .where(and(eq(batch.goodsId, goodsId), sql`lower(${batch.lot}) = lower(${lot})`))
    .orderBy(batch.cameOn, batch.id)
  return rows.map(asBatch)
}

/** Batches of any goods by a serial or lot, whatever its case. */
export const findBatchesNamed = async (db: Db, by: 'serial' | 'lot', name: string): Promise<Batch[]> => {
  const rows = await db
    .select()
    .from(batch)
    .where(sql`lower(${batch[by]}) = lower(${name})`)
    .orderBy(batch.goodsId, batch.id)
  return rows.map(asBatch)
}

/** Lots and serials whose name begins as what was typed does, each once. */
export const listPiecesLike = async (db: Db, text: string, most: number) => {
  if (text.length < 2) return []
  const like = `${text.toLowerCase().replace(/[\\%_]/g, '\\$&')}%`
  return db
    .selectDistinct({ goodsId: batch.goodsId, goods: goods.name, lot: batch.lot, serial: batch.serial })
    .from(batch)
    .innerJoin(goods, eq(goods.id, batch.goodsId))
    .where(sql`lower(${batch.serial}) like ${like} or lower(${batch.lot}) like ${like}`)
    .orderBy(batch.serial, batch.lot)
    .limit(most)
}

export const insertBatch = async (db: Db, row: Omit<Batch, 'id'>): Promise<Batch> =>
  asBatch(present((await db.insert(batch).values(row).returning())[0]))

/** What happened to a batch: each move of it with its document, its sale and whose that is. */
export interface LifeRow {
  readonly batchId: number
  readonly on: Day
  readonly quantity: Decimal
  readonly value: bigint
  readonly placeId: number
  readonly place: string
  readonly paperKind: string
  readonly paperId: number
  readonly paper: string
  readonly saleId: number | null
  readonly saleNumber: number | null
  readonly customerId: number | null
  readonly customer: string | null
}

/** The moves of batches, oldest first. */
export const listLife = async (db: Db, batchIds: readonly number[]): Promise<LifeRow[]> => {
  if (batchIds.length === 0) return []
  const rows = await db.execute<{
    batch_id: number
    on: Day
    quantity: string
    value: string
    place_id: number
    place: string
    paper_kind: string
    paper_id: number
    paper: string
    sale_id: number | null
    sale_number: number | null
    customer_id: number | null
    customer: string | null
  }>(sql`
    select m.batch_id, m.on_day::text as on, m.quantity, m.value::text, m.place_id, p.name as place, m.paper_kind, m.paper_id,
           ${paperNumber} as paper, s.id as sale_id, s.number as sale_number, c.id as customer_id, c.name as customer
      from stock_move m
      join place p on p.id = m.place_id ${paperOfMove}
      left join sale s on s.id = h.sale_id
      left join customer c on c.id = s.customer_id
     where ${isOneOf(sql`m.batch_id`, batchIds)}
     order by m.on_day, m.id`)
  return rows.map((r) => ({
    batchId: r.batch_id,
    on: r.on,
    quantity: decimal(r.quantity),
    value: BigInt(r.value),
    placeId: r.place_id,
    place: r.place,
    paperKind: r.paper_kind,
    paperId: r.paper_id,
    paper: r.paper,
    saleId: r.sale_id,
    saleNumber: r.sale_number,
    customerId: r.customer_id,
    customer: r.customer,
  }))
}

/** How many lots that lie somewhere expire by a day, and when the first of them does. */
export interface Expiring {
  readonly lots: number
  readonly first: Day | null
}

export const countExpiring = async (db: Db, by: Day): Promise<Expiring> => {
  const [row] = await db.execute<{ lots: number; first: Day | null }>(sql`
    select count(distinct (b.goods_id, b.lot))::int as lots, min(b.expires)::text as first
      from batch b
     where b.expires <= ${by} and exists (select from shelf s where s.batch_id = b.id and s.quantity > 0)`)
  return row ?? { lots: 0, first: null }
}
