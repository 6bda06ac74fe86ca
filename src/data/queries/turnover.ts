import { sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { decimal, money, type Decimal, type Money } from '@/core/money'
import type { Db } from '../connect'

/** How goods sold between two days, kits as kits, and what lies of them now. */
export interface SoldRow {
  readonly goodsId: number
  readonly code: string
  readonly name: string
  readonly kind: 'stock' | 'kit'
  readonly sold: Decimal
  readonly income: Money
  readonly cost: Money
  readonly lastSold: Day | null
  /** When some last came in; what was only carried did not come. */
  readonly lastCame: Day | null
  readonly onHand: Decimal
  readonly value: Money
}

/** Goods that were sold in a span of days, or lie somewhere now. */
export const listSold = async (
  db: Db,
  span: { readonly from: Day; readonly to: Day },
  currency: string,
): Promise<SoldRow[]> => {
  const rows = await db.execute<{
    id: number
    code: string
    name: string
    kind: 'stock' | 'kit'
    sold: string
    income: string
    cost: string
    last_sold: Day | null
    last_came: Day | null
    on_hand: string
    value: string
  }>(sql`
    with gone as (
      select l.goods_id, sum(case h.direction when 'out' then x.quantity else -x.quantity end) as sold,
             sum(case h.direction when 'out' then x.cost else -x.cost end) as cost, max(h.on_day) filter (where h.direction = 'out') as last_sold
        from handover h join handover_line x on x.handover_id = h.id join sale_line l on l.id = x.sale_line_id
       where h.on_day between ${span.from} and ${span.to} and l.kind in ('stock', 'kit') group by 1
    ), billed as (
      select l.goods_id, sum(case i.kind when 'credit-note' then -x.net else x.net end) as income
        from invoice i join invoice_line x on x.invoice_id = i.id join sale_line l on l.id = x.sale_line_id
       where i.status = 'issued' and i.on_day between ${span.from} and ${span.to} and l.kind in ('stock', 'kit') group by 1
    )
    select g.id, g.code, g.name, g.kind, coalesce(gone.sold, 0)::text as sold, coalesce(billed.income, 0)::text as income,
           coalesce(gone.cost, 0)::text as cost, gone.last_sold::text as last_sold,
           (select max(m.on_day)::text from stock_move m where m.goods_id = g.id and m.quantity > 0 and m.paper_kind <> 'stock-transfer') as last_came,
           coalesce(there.quantity, 0)::text as on_hand, coalesce(there.value, 0)::text as value
      from goods g
      left join gone on gone.goods_id = g.id
      left join billed on billed.goods_id = g.id
      left join on_hand there on there.goods_id = g.id
     where g.kind in ('stock', 'kit') and (gone.goods_id is not null or billed.goods_id is not null or there.quantity > 0)`)
  return rows.map((r) => ({
    goodsId: r.id,
    code: r.code,
    name: r.name,
    kind: r.kind,
    sold: decimal(r.sold),
    income: money(BigInt(r.income), currency),
    cost: money(BigInt(r.cost), currency),
    lastSold: r.last_sold,
    lastCame: r.last_came,
    onHand: decimal(r.on_hand),
    value: money(BigInt(r.value), currency),
  }))
}

/** How many of a thing were handed over between two days, less what came back; as parts of kits too. */
export const sumSold = async (
  db: Db,
  goodsId: number,
  { from, to }: { readonly from: Day; readonly to: Day },
): Promise<Decimal> => {
  const [row] = await db.execute<{ sold: string }>(sql`
    select coalesce(-sum(quantity), 0)::text as sold from stock_move
     where goods_id = ${goodsId} and paper_kind = 'handover' and on_day between ${from} and ${to}`)
  return decimal(row?.sold ?? 0)
}
