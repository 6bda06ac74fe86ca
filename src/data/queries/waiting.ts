import { sql } from 'drizzle-orm'
import { decimal, type Decimal } from '@/core/money'
import type { Day } from '@/core/day'
import type { Db } from '../connect'
import { isOneOf } from './search'

/**
 * What the lines of ordered sales still wait for, kits as their parts: the rows of `wanted`, with the thing, how many, and by
 * what they are put in the order in which goods are set aside.
 */
const wanted = sql`
  line as (
    select l.id as line_id, l.position, l.goods_id, l.kind, s.id as sale_id, s.number as sale_number, s.customer_id, s.agreed_on,
           s.wanted_by, l.aside_turn, l.agreed - l.handed_over + l.to_replace as waiting, l.handed_over - l.returned as whole
      from sale_line l join sale s on s.id = l.sale_id
     where l.agreed > l.handed_over - l.to_replace and s.stage = 'agreed' and l.goods_id is not null
  ), wanted as (
    select line.*, line.goods_id as thing, line.waiting as units from line where kind = 'stock'
    union all
    select * from (
      select line.*, p.part_id as thing,
             line.waiting * p.quantity - greatest(line.whole * -p.quantity - coalesce(
               (select sum(m.quantity) from stock_move m where m.sale_line_id = line.line_id and m.goods_id = p.part_id), 0), 0) as units
        from line join goods_part p on p.kit_id = line.goods_id where kind = 'kit') k where units > 0
  )`
/** Those first that the owner set aside by hand, those last that were released; else the oldest agreement first. */
const inTurn = sql`order by case w.aside_turn when 'first' then 0 when 'in turn' then 1 else 2 end, w.agreed_on, w.sale_id, w.position, w.line_id`

/** A line that waits for goods, or for a part of its kit. */
export interface WaitingLine {
  readonly lineId: number
  readonly goodsId: number
  readonly waiting: Decimal
}

/** Lines that wait for some goods, in the order in which goods are set aside. */
export const listWaiting = async (db: Db, goodsIds: readonly number[]): Promise<WaitingLine[]> => {
  if (goodsIds.length === 0) return []
  const rows = await db.execute<{ line_id: number; thing: number; units: string }>(sql`
    with ${wanted} select w.line_id, w.thing, w.units::text from wanted w
     where ${isOneOf(sql`w.thing`, [...new Set(goodsIds)])} ${inTurn}`)
  return rows.map((r) => ({ lineId: r.line_id, goodsId: r.thing, waiting: decimal(r.units) }))
}

/** The same with the sale and the customer who waits: since when, and for when it is wanted. */
export interface WaitingFor extends WaitingLine {
  readonly saleId: number
  readonly saleNumber: number
  readonly customer: string
  readonly goods: string
  readonly since: Day
  readonly wantedBy: Day | null
}

/** Everything that waits for goods, in the order in which goods are set aside. */
export const listAllWaiting = async (db: Db): Promise<WaitingFor[]> => {
  const rows = await db.execute<
    Record<'line_id' | 'sale_id' | 'sale_number' | 'thing', number> &
      Record<'customer' | 'goods' | 'units', string> & { since: Day; wanted_by: Day | null }
  >(sql`
    with ${wanted}
    select w.line_id, w.sale_id, w.sale_number, w.thing, w.units::text, w.agreed_on::text as since, w.wanted_by::text as wanted_by,
           c.name as customer, g.name as goods
      from wanted w join goods g on g.id = w.thing join customer c on c.id = w.customer_id ${inTurn}`)
  return rows.map((r) => ({
    lineId: r.line_id,
    saleId: r.sale_id,
    saleNumber: r.sale_number,
    customer: r.customer,
    goodsId: r.thing,
    goods: r.goods,
    since: r.since,
    wantedBy: r.wanted_by,
    waiting: decimal(r.units),
  }))
}
