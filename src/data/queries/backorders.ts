import { sql } from 'drizzle-orm'
import { decimal, type Decimal } from '@/core/money'
import type { Day } from '@/core/day'
import type { Db } from '../connect'

/** A line of an ordered sale that waits for goods, or for a part of its kit: since when, and for when it is wanted. */
export interface WaitingFor {
  readonly saleId: number
  readonly saleNumber: number
  readonly customer: string
  readonly goodsId: number
  readonly goods: string
  readonly since: Day
  readonly wantedBy: Day | null
  readonly waiting: Decimal
}

/** Everything that waits for goods, oldest agreement first, in the order in which goods are set aside. */
export const listAllWaiting = async (db: Db): Promise<WaitingFor[]> => {
  const rows = await db.execute<
    Record<'sale_id' | 'sale_number' | 'goods_id', number> &
      Record<'customer' | 'goods' | 'waiting', string> & { since: Day; wanted_by: Day | null }
  >(sql`
    with line as (
      select l.id, l.position, l.goods_id, l.kind, s.id as sale_id, s.number, s.agreed_on, s.wanted_by, c.name as customer,
             l.agreed - l.handed_over + l.to_replace as waiting
        from sale_line l join sale s on s.id = l.sale_id join customer c on c.id = s.customer_id
       where l.agreed > l.handed_over - l.to_replace and s.stage = 'agreed' and l.goods_id is not null
    ), wanted as (
      select line.*, line.goods_id as thing, line.waiting as units from line where kind = 'stock'
      union all
      select line.*, p.part_id, line.waiting * p.quantity from line join goods_part p on p.kit_id = line.goods_id where kind = 'kit'
    )
    select w.sale_id, w.number as sale_number, w.customer, w.thing as goods_id, g.name as goods, w.agreed_on::text as since,
           w.wanted_by::text as wanted_by, w.units::text as waiting
      from wanted w join goods g on g.id = w.thing
     order by w.agreed_on, w.sale_id, w.position, w.id`)
  return rows.map((r) => ({
    saleId: r.sale_id,
    saleNumber: r.sale_number,
    customer: r.customer,
    goodsId: r.goods_id,
    goods: r.goods,
    since: r.since,
    wantedBy: r.wanted_by,
    waiting: decimal(r.waiting),
  }))
}
