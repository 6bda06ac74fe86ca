import { sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { decimal, money, type Decimal, type Money } from '@/core/money'
import type { Db } from '../connect'

/** The document of a move `m`, whichever kind it is of: joined, and its number. */
export const paperOfMove = sql`
      left join handover h on m.paper_kind = 'handover' and h.id = m.paper_id
      left join stock_count n on m.paper_kind = 'stock-count' and n.id = m.paper_id
      left join stock_transfer t on m.paper_kind = 'stock-transfer' and t.id = m.paper_id
      left join stock_adjustment a on m.paper_kind = 'stock-adjustment' and a.id = m.paper_id
      left join assembly k on m.paper_kind = 'assembly' and k.id = m.paper_id
      left join goods_received r on m.paper_kind = 'goods-received' and r.id = m.paper_id
      left join bill i on m.paper_kind = 'bill' and i.id = m.paper_id
      left join landed_cost v on m.paper_kind = 'landed-cost' and v.id = m.paper_id
      left join goods_returned q on m.paper_kind = 'goods-returned' and q.id = m.paper_id
      left join supplier_credit j on m.paper_kind = 'supplier-credit' and j.id = m.paper_id`
export const paperNumber = sql`coalesce(h.number, n.number, t.number, a.number, k.number, r.number, i.number, v.number, q.number, j.number, '')`

export interface CardLine {
  readonly id: number
  readonly on: Day
  readonly quantity: Decimal
  readonly value: Money
  readonly paperKind: string
  readonly paperId: number
  readonly paper: string
  readonly placeId: number
  readonly place: string
  readonly lot: string | null
  readonly serial: string | null
  /** Whom it went to, or who brought it back. */
  readonly customer: string | null
  readonly runningQuantity: Decimal
  readonly runningValue: Money
}

/** The lines of a stock card, of all of a thing or of a lot or serial, newest first, each with quantity and value after it. */
export const listStockCard = async (
  db: Db,
  goodsId: number,
  currency: string,
  of: { readonly lot?: string; readonly serial?: string } = {},
): Promise<CardLine[]> => {
  const rows = await db.execute<{
    id: number
    on: Day
    quantity: string
    value: string
    paper_kind: string
    paper_id: number
    paper: string
    place_id: number
    place: string
    lot: string | null
    serial: string | null
    customer: string | null
    running_quantity: string
    running_value: string
  }>(sql`
    select m.id, m.on_day::text as on, m.quantity, m.value::text, m.paper_kind, m.paper_id,
           ${paperNumber} as paper, m.place_id, p.name as place, b.lot, b.serial, c.name as customer,
           (sum(m.quantity) over w)::text as running_quantity, (sum(m.value) over w)::text as running_value
      from stock_move m
      join place p on p.id = m.place_id
      left join batch b on b.id = m.batch_id ${paperOfMove}
      left join sale s on s.id = h.sale_id
      left join customer c on c.id = s.customer_id
     where m.goods_id = ${goodsId}
       ${of.lot === undefined ? sql`` : sql`and lower(b.lot) = lower(${of.lot})`}
       ${of.serial === undefined ? sql`` : sql`and lower(b.serial) = lower(${of.serial})`}
    window w as (order by m.on_day, m.id) order by m.on_day desc, m.id desc`)
  return rows.map((r) => ({
    id: r.id,
    on: r.on,
    quantity: decimal(r.quantity),
    value: money(BigInt(r.value), currency),
    paperKind: r.paper_kind,
    paperId: r.paper_id,
    paper: r.paper,
    placeId: r.place_id,
    place: r.place,
    lot: r.lot,
    serial: r.serial,
    customer: r.customer,
    runningQuantity: decimal(r.running_quantity),
    runningValue: money(BigInt(r.running_value), currency),
  }))
}
