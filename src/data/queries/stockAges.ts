import { sql, type SQL } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { decimal, money, ZERO, type Decimal, type Money } from '@/core/money'
import { AGE_LIMITS } from '@/core/stock'
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

/** What lies of each thing on a day, and what it is worth, with its piles where they are told apart; everywhere, or in one place. */
const lying = (asOf: Day, placeId: number | undefined): SQL => {
  // In all places it is read from its nearer side: what lies now, less what was moved since.
  if (placeId === undefined)
    return sql`
    later as materialized (select goods_id, batch_id, quantity, value from stock_move where on_day > ${asOf}),
    worth as (
      select goods_id, sum(quantity) as units, sum(value) as value
        from (select goods_id, quantity, value from on_hand union all select goods_id, -quantity, -value from later) w
       group by 1 having sum(quantity) > 0
    ), told as (
      select x.goods_id, x.batch_id, sum(x.quantity) as units
        from (select goods_id, batch_id, quantity from shelf union all select goods_id, batch_id, -quantity from later) x
        join goods g on g.id = x.goods_id where g.costing <> 'average' group by 1, 2 having sum(x.quantity) > 0
    )`
  return sql`
    there as materialized (
      select goods_id, batch_id, sum(quantity) as units, sum(value) as value
        from stock_move where on_day <= ${asOf} and place_id = ${placeId} group by 1, 2
    ), worth as (
      select goods_id, sum(units) as units, sum(value) as value from there group by 1 having sum(units) > 0
    ), told as (
      select t.goods_id, t.batch_id, t.units from there t join goods g on g.id = t.goods_id where g.costing <> 'average' and t.units > 0
    )`
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
  const days = sql`(${asOf}::date - on_day)`
  const within = [...AGE_LIMITS, null].map((limit, i) => {
    const from = AGE_LIMITS[i - 1]
    const parts = [from === undefined ? [] : sql`${days} > ${from}`, limit === null ? [] : sql`${days} <= ${limit}`]
    return sql`coalesce(sum(units) filter (where ${sql.join(parts.flat(), sql` and `)}), 0)::text`
  })
  const rows = await db.execute<{
    goods_id: number
    code: string
    name: string
    quantity: string
    value: string
    by_age: readonly string[]
    oldest: Day
  }>(sql`
    with ${lying(asOf, placeId)}, came as (
      -- Counted from the oldest, in the order of their index: what lies still is what goes beyond what is gone.
      select m.goods_id, m.on_day, m.quantity, w.units,
             sum(m.quantity) over (partition by m.goods_id order by m.on_day, m.id) as upto,
             sum(m.quantity) over (partition by m.goods_id) as whole
        from worth w join goods g on g.id = w.goods_id join stock_move m on m.goods_id = w.goods_id
       where g.costing = 'average' and m.quantity > 0 and m.on_day <= ${asOf} ${at} ${came}
      union all
      select m.goods_id, m.on_day, m.quantity, p.units,
             sum(m.quantity) over (partition by m.goods_id, m.batch_id order by m.on_day, m.id),
             sum(m.quantity) over (partition by m.goods_id, m.batch_id)
        from told p join stock_move m on m.goods_id = p.goods_id and m.batch_id = p.batch_id
       where m.quantity > 0 and m.on_day <= ${asOf} ${at} ${came}
    ), layer as (
      select goods_id, on_day, least(quantity, upto - (whole - units)) as units from came where upto > whole - units
    ), aged as (
      select goods_id, min(on_day) as oldest, array[${sql.join(within, sql`, `)}] as by_age from layer group by goods_id
    )
    select w.goods_id, g.code, g.name, w.units::text as quantity, w.value::text as value, l.oldest::text as oldest, l.by_age
      from worth w join goods g on g.id = w.goods_id join aged l on l.goods_id = w.goods_id`)
  return rows.map((r) => ({
    goodsId: r.goods_id,
    code: r.code,
    name: r.name,
    quantity: decimal(r.quantity),
    value: money(BigInt(r.value), currency),
    oldest: r.oldest,
    byAge: r.by_age.map((units) => (units === '0' ? ZERO : decimal(units))),
  }))
}
