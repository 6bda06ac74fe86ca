import { sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { decimal, money, type Decimal } from '@/core/money'
import { unitCost } from '@/core/stock'
import type { Db } from '../connect'
import { isOneOf } from './search'

/** What one of each thing cost when some last came or went, on or before a day; nothing of what never moved. */
export const listLastCosts = async (
  db: Db,
  goodsIds: readonly number[],
  on: Day,
  currency: string,
): Promise<ReadonlyMap<number, Decimal>> => {
  if (goodsIds.length === 0) return new Map()
  // The last one of each is read from the end of its card, however long that is.
  const rows = await db.execute<{ id: number; quantity: string; value: string }>(sql`
    select g.id, m.quantity::text, m.value::text
      from goods g
     cross join lateral (select quantity, value from stock_move
                          where goods_id = g.id and on_day <= ${on} and quantity <> 0
                          order by on_day desc, id desc limit 1) m
     where ${isOneOf(sql`g.id`, goodsIds)}`)
  return new Map(
    rows.map((r) => [r.id, unitCost({ quantity: decimal(r.quantity), value: money(BigInt(r.value), currency) })]),
  )
}
