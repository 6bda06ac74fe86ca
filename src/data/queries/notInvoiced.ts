import { sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { decimal, money, type Decimal, type Money } from '@/core/money'
import type { Db } from '../connect'

/** Goods of a supplier of which more came than was billed (above zero), or more was billed than is here (below zero). */
export interface NotInvoiced {
  readonly supplierId: number
  readonly supplier: string
  readonly goodsId: number
  readonly name: string
  /** The order it came by, or else the receipt. */
  readonly orderId: number | null
  readonly receivedId: number | null
  readonly paper: string
  readonly since: Day
  readonly quantity: Decimal
  readonly value: Money
}

/**
 * What is on “goods received, not invoiced” at the end of a day, line by line: of each order line, or of what came without an
 * order, what came less what was billed and sent back, plus what was credited. Together the balance of the account.
 */
export const listNotInvoiced = async (db: Db, asOf: Day, currency: string): Promise<readonly NotInvoiced[]> => {
  const rows = await db.execute<{
    supplier_id: number
    supplier: string
    goods_id: number
    name: string
    order_id: number | null
    received_id: number | null
    paper: string
    since: Day
    quantity: string
    value: string
  }>(sql`
    with came as (
      select l.id, l.order_line_id, case when l.order_line_id is null then l.id end as alone, r.id as received_id, l.goods_id, r.supplier_id
        from goods_received_line l join goods_received r on r.id = l.received_id
    ), moved as (
      select c.order_line_id, c.alone, r.on_day, l.quantity, l.value
        from came c join goods_received_line l on l.id = c.id join goods_received r on r.id = c.received_id
      union all
      select coalesce(c.order_line_id, x.order_line_id), c.alone, b.on_day, -x.quantity, -x.cleared
        from bill_line x join bill b on b.id = x.bill_id left join came c on c.id = x.received_line_id
        left join purchase_order_line o on o.id = x.order_line_id
       where (c.id is not null or o.goods_id is not null) and (b.voided_on is null or b.voided_on > ${asOf})
      union all
      select c.order_line_id, c.alone, r.on_day, -l.quantity, -l.value
        from goods_returned_line l join goods_returned r on r.id = l.returned_id join came c on c.id = l.received_line_id
      union all
      select coalesce(c.order_line_id, x.order_line_id), c.alone, k.on_day, l.quantity, l.cleared
        from supplier_credit_line l join supplier_credit k on k.id = l.credit_id join bill_line x on x.id = l.bill_line_id
        left join came c on c.id = x.received_line_id
       where l.quantity > 0 and (k.voided_on is null or k.voided_on > ${asOf})
    ), open as (
      select order_line_id, alone, min(on_day) as since, sum(quantity) as quantity, sum(value) as value from moved
       where on_day <= ${asOf} group by 1, 2 having sum(quantity) <> 0 or sum(value) <> 0
    )
    select s.id as supplier_id, s.name as supplier, g.id as goods_id, g.name, p.id as order_id, c.received_id,
           coalesce(p.number, r.number) as paper, o.since::text as since, o.quantity::text, o.value::text
      from open o
      left join purchase_order_line l on l.id = o.order_line_id left join purchase_order p on p.id = l.order_id
      left join came c on c.id = o.alone left join goods_received r on r.id = c.received_id
      join supplier s on s.id = coalesce(p.supplier_id, r.supplier_id) join goods g on g.id = coalesce(l.goods_id, c.goods_id)
     order by o.since, s.name, g.name`)
  return rows.map((r) => ({
    supplierId: r.supplier_id,
    supplier: r.supplier,
    goodsId: r.goods_id,
    name: r.name,
    orderId: r.order_id,
    receivedId: r.received_id,
    paper: r.paper,
    since: r.since,
    quantity: decimal(r.quantity),
    value: money(BigInt(r.value), currency),
  }))
}
