import { sql, type SQL } from 'drizzle-orm'
import { daysBetween, type Day } from '@/core/day'
import { money, type Money } from '@/core/money'
import type { Db } from '../connect'

/**
 * What adds up to the worth of things at the end of a day: every move until then, or what they are worth now less every move since,
 * whichever is less to read.
 */
const partsOf = async (db: Db, asOf: Day, today: Day): Promise<SQL> => {
  const [first] = await db.execute<{ on_day: Day | null }>(sql`select min(on_day)::text as on_day from stock_move`)
  const isLate = asOf >= today || !first?.on_day || daysBetween(asOf, today) <= daysBetween(first.on_day, asOf)
  return isLate
    ? sql`select goods_id, quantity, value from on_hand where quantity <> 0
          union all select goods_id, -quantity, -value from stock_move where on_day > ${asOf}`
    : sql`select goods_id, quantity, value from stock_move where on_day <= ${asOf}`
}

/** What everything that lay anywhere at the end of a day was worth. */
export const sumStockValue = async (
  db: Db,
  { asOf, today }: { readonly asOf: Day; readonly today: Day },
  currency: string,
): Promise<Money> => {
  const [row] = await db.execute<{ value: string }>(
    sql`select coalesce(sum(value), 0)::text as value from (${await partsOf(db, asOf, today)}) p`,
  )
  return money(BigInt(row?.value ?? '0'), currency)
}

/** Whether any goods are told apart by lot or serial, and any lot expires. */
export const findHowTold = async (db: Db): Promise<{ readonly told: boolean; readonly expire: boolean }> => {
  const [row] = await db.execute<{ told: boolean; expire: boolean }>(sql`
    select exists (select from batch where lot is not null or serial is not null) as told,
           exists (select from batch where expires is not null) as expire`)
  return row ?? { told: false, expire: false }
}

/** The things that were worth most at the end of a day, so many of them, and what everything was worth. */
export const listWorthiest = async (
  db: Db,
  { asOf, today, limit }: { readonly asOf: Day; readonly today: Day; readonly limit: number },
  currency: string,
): Promise<{ readonly goodsIds: readonly number[]; readonly value: Money }> => {
  const rows = await db.execute<{ goods_id: number; all: string }>(sql`
    select goods_id, sum(worth) over () ::text as all from (
      select goods_id, sum(value) as worth from (${await partsOf(db, asOf, today)}) p
       group by goods_id having sum(value) <> 0 or sum(quantity) <> 0) t
     order by worth desc, goods_id limit ${limit}`)
  return { goodsIds: rows.map((r) => r.goods_id), value: money(BigInt(rows[0]?.all ?? '0'), currency) }
}
