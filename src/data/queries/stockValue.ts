import { sql, type SQL } from 'drizzle-orm'
import { daysBetween, type Day } from '@/core/day'
import { money, type Money } from '@/core/money'
import type { Db } from '../connect'

/**
 * What things were and were worth at the end of a day, one row a thing: every move until then, or what is on hand now less every move
 * since, whichever is less to read.
 */
const worthThen = async (db: Db, asOf: Day, today: Day): Promise<SQL> => {
  const [first] = await db.execute<{ on_day: Day | null }>(sql`select min(on_day)::text as on_day from stock_move`)
  const isLate = asOf >= today || !first?.on_day || daysBetween(asOf, today) <= daysBetween(first.on_day, asOf)
  const moved = (days: SQL) =>
    sql`select goods_id, sum(quantity) as quantity, sum(value)::bigint as value from stock_move where ${days} group by goods_id`
  return isLate
    ? sql`select h.goods_id, h.quantity - coalesce(m.quantity, 0) as quantity, h.value - coalesce(m.value, 0) as value
            from on_hand h left join (${moved(sql`on_day > ${asOf}`)}) m on m.goods_id = h.goods_id`
    : moved(sql`on_day <= ${asOf}`)
}

/** What everything that lay anywhere at the end of a day was worth. */
export const sumStockValue = async (
  db: Db,
  { asOf, today }: { readonly asOf: Day; readonly today: Day },
  currency: string,
): Promise<Money> => {
  const [row] = await db.execute<{ value: string }>(
    sql`select coalesce(sum(value), 0)::text as value from (${await worthThen(db, asOf, today)}) w`,
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
    select goods_id, sum(value) over ()::text as all from (${await worthThen(db, asOf, today)}) w
     where value <> 0 or quantity <> 0 order by value desc, goods_id limit ${limit}`)
  return { goodsIds: rows.map((r) => r.goods_id), value: money(BigInt(rows[0]?.all ?? '0'), currency) }
}
