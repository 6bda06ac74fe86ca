import { sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { decimal, money, type Decimal, type Money } from '@/core/money'
import { AGE_LIMITS, ageOf } from '@/core/stock'
import type { Db } from '../connect'

/** What lies of a thing at the end of a day, what it is worth, and how many of it came in how long ago. */
export interface StockAge {
  readonly goodsId: number
  readonly code: string
  readonly name: string
  readonly quantity: Decimal
  readonly value: Money
  /** In the order of `AGE_LIMITS`, what is older at the end. */
  readonly byAge: readonly Decimal[]
  readonly oldest: Day
}

/**
 * What lies on a day by how long it lies: of what is not told apart the newest that came is taken to be here still. In all places
 * together, or in one: there from the day on which it was brought there.
 */
export const listStockAges = async (
  db: Db,
  { asOf, placeId }: { readonly asOf: Day; readonly placeId?: number },
  currency: string,
): Promise<readonly StockAge[]> => {
  const at = placeId === undefined ? sql`` : sql`and m.place_id = ${placeId}`
  // Carried from place to place it did not come; assembled, it did.
  const came = placeId === undefined ? sql`and m.paper_kind <> 'stock-transfer'` : sql``
  const rows = await db.execute<{
    goods_id: number
    code: string
    name: string
    quantity: string
    value: string
    layers: readonly { readonly days: number; readonly units: string }[]
    oldest: Day
  }>(sql`
    with pile as (
      select m.goods_id, case when g.costing <> 'average' then m.batch_id end as batch_id, sum(m.quantity) as units
        from stock_move m join goods g on g.id = m.goods_id where m.on_day <= ${asOf} ${at} group by 1, 2 having sum(m.quantity) > 0
    ), came as (
      select p.goods_id, p.batch_id, p.units, m.on_day, m.quantity,
             sum(m.quantity) over (partition by p.goods_id, p.batch_id order by m.on_day desc, m.id desc) as upto
        from pile p join goods g on g.id = p.goods_id
        join stock_move m on m.goods_id = p.goods_id and (g.costing = 'average' or m.batch_id = p.batch_id)
       where m.quantity > 0 and m.on_day <= ${asOf} ${at} ${came}
    ), layer as (
      select goods_id, on_day, sum(least(upto, units) - least(upto - quantity, units)) as units
        from came where upto - quantity < units group by 1, 2
    ), worth as (
      select m.goods_id, sum(m.quantity) as units, sum(m.value) as value
        from stock_move m where m.on_day <= ${asOf} ${at} group by 1 having sum(m.quantity) > 0
    )
    select w.goods_id, g.code, g.name, w.units::text as quantity, w.value::text as value, min(l.on_day)::text as oldest,
           json_agg(json_build_object('days', ${asOf}::date - l.on_day, 'units', l.units::text)) as layers
      from worth w join goods g on g.id = w.goods_id join layer l on l.goods_id = w.goods_id
     group by w.goods_id, g.code, g.name, w.units, w.value`)
  return rows.map((r) => ({
    goodsId: r.goods_id,
    code: r.code,
    name: r.name,
    quantity: decimal(r.quantity),
    value: money(BigInt(r.value), currency),
    oldest: r.oldest,
    byAge: [...AGE_LIMITS, null].map((_, age) =>
      r.layers.filter((l) => ageOf(l.days) === age).reduce((sum, l) => sum.plus(l.units), decimal(0)),
    ),
  }))
}
