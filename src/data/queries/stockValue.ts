import { sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { money, type Money } from '@/core/money'
import type { Db } from '../connect'

/** What everything that lay anywhere at the end of a day was worth. */
export const sumStockValue = async (db: Db, asOf: Day, currency: string): Promise<Money> => {
  const [row] = await db.execute<{ value: string }>(
    sql`select coalesce(sum(value), 0)::text as value from stock_move where on_day <= ${asOf}`,
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

/** What a pile is worth, about: the cents are shared out exactly where it is shown. `now`: nothing is dated later. */
const worth = (asOf: Day, now: boolean) =>
  now
    ? sql`
      select s.goods_id, p.value * s.quantity / nullif(p.quantity, 0) as worth
        from shelf s join goods g on g.id = s.goods_id
        join pool p on p.goods_id = s.goods_id
         and (g.costing = 'average' or (p.batch_id is not distinct from s.batch_id and (g.costing = 'unit' or p.place_id = s.place_id)))
       where s.quantity <> 0`
    : sql`
      with p as materialized (
        select goods_id, place_id, batch_id, sum(quantity) as quantity, sum(value) as value
          from stock_move where on_day <= ${asOf} group by 1, 2, 3
      ), t as (select goods_id, sum(quantity) as quantity, sum(value) as value from p group by 1)
      select p.goods_id, case when g.costing = 'average' then t.value * p.quantity / nullif(t.quantity, 0) else p.value end as worth
        from p join goods g on g.id = p.goods_id join t on t.goods_id = p.goods_id
       where p.quantity <> 0`

/** The goods that have the worthiest piles on a day, so many of them: so many of the worthiest piles are among theirs. */
export const listWorthiest = async (
  db: Db,
  { asOf, today, limit }: { readonly asOf: Day; readonly today: Day; readonly limit: number },
): Promise<readonly number[]> => {
  const rows = await db.execute<{ goods_id: number }>(sql`
    select goods_id from (${worth(asOf, asOf >= today)}) w group by goods_id order by max(worth) desc nulls last, goods_id limit ${limit}`)
  return rows.map((r) => r.goods_id)
}
