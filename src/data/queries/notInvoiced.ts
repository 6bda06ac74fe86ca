import { sql, type SQL } from 'drizzle-orm'
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

/** Papers of a supplier that count now and did not on a day, or the other way round: dated later, or made void since. */
const changedSince = (paper: 'bill' | 'supplier_credit', asOf: Day): SQL => sql`(
  select id from ${sql.identifier(paper)} where on_day > ${asOf} or voided_on > ${asOf})`

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
    with touched as materialized (
      -- What is open now, or was changed by a paper since: nothing else can have been open.
      select order_line_id, case when order_line_id is null then id end as alone from goods_received_line
       where quantity - billed - returned + credited <> 0 or value - billed_value - returned_value + credited_value <> 0
      union select id, null from purchase_order_line where ahead <> 0 or ahead_value <> 0
      union select c.order_line_id, case when c.order_line_id is null then c.id end
        from goods_received r join goods_received_line c on c.received_id = r.id where r.on_day > ${asOf}
      union select coalesce(c.order_line_id, x.order_line_id), case when c.order_line_id is null then c.id end
        from ${changedSince('bill', asOf)} b join bill_line x on x.bill_id = b.id left join goods_received_line c on c.id = x.received_line_id
      union select c.order_line_id, case when c.order_line_id is null then c.id end
        from goods_returned r join goods_returned_line l on l.returned_id = r.id join goods_received_line c on c.id = l.received_line_id
       where r.on_day > ${asOf}
      union select coalesce(c.order_line_id, x.order_line_id), case when c.order_line_id is null then c.id end
        from ${changedSince('supplier_credit', asOf)} k join supplier_credit_line l on l.credit_id = k.id join bill_line x on x.id = l.bill_line_id
        left join goods_received_line c on c.id = x.received_line_id
    ), came as materialized (
      select l.id, l.order_line_id, t.alone, l.received_id, l.goods_id, l.quantity, l.value
        from touched t join goods_received_line l on l.order_line_id = t.order_line_id where t.order_line_id is not null
      union all
      select l.id, null, t.alone, l.received_id, l.goods_id, l.quantity, l.value
        from touched t join goods_received_line l on l.id = t.alone
    ), billed as materialized (
      select x.id, x.bill_id, c.order_line_id, c.alone, x.quantity, x.cleared from came c join bill_line x on x.received_line_id = c.id
      union all
      select x.id, x.bill_id, x.order_line_id, null, x.quantity, x.cleared
        from touched t join purchase_order_line o on o.id = t.order_line_id join bill_line x on x.order_line_id = o.id
       where x.received_line_id is null and o.goods_id is not null
    ), moved as (
      select c.order_line_id, c.alone, r.on_day, c.quantity, c.value from came c join goods_received r on r.id = c.received_id
      union all
      select x.order_line_id, x.alone, b.on_day, -x.quantity, -x.cleared
        from billed x join bill b on b.id = x.bill_id where b.voided_on is null or b.voided_on > ${asOf}
      union all
      select c.order_line_id, c.alone, r.on_day, -l.quantity, -l.value
        from came c join goods_returned_line l on l.received_line_id = c.id join goods_returned r on r.id = l.returned_id
      union all
      select x.order_line_id, x.alone, k.on_day, l.quantity, l.cleared
        from billed x join supplier_credit_line l on l.bill_line_id = x.id join supplier_credit k on k.id = l.credit_id
       where l.quantity > 0 and (k.voided_on is null or k.voided_on > ${asOf})
    ), open as (
      select order_line_id, alone, min(on_day) as since, sum(quantity) as quantity, sum(value) as value from moved
       where on_day <= ${asOf} group by 1, 2 having sum(quantity) <> 0 or sum(value) <> 0
    )
    select s.id as supplier_id, s.name as supplier, g.id as goods_id, g.name, p.id as order_id, c.received_id,
           coalesce(p.number, r.number) as paper, o.since::text as since, o.quantity::text, o.value::text
      from open o
      left join purchase_order_line l on l.id = o.order_line_id left join purchase_order p on p.id = l.order_id
      left join goods_received_line c on c.id = o.alone left join goods_received r on r.id = c.received_id
      join supplier s on s.id = coalesce(p.supplier_id, r.supplier_id) join goods g on g.id = coalesce(l.goods_id, c.goods_id)
     order by o.since, plain_text(s.name), plain_text(g.name), o.order_line_id, o.alone`)
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
