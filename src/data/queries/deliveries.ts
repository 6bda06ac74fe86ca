import { sql, type SQL } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { money, type Money } from '@/core/money'
import { present } from '@/core/present'
import type { Db } from '../connect'
import { cutTo, type Part } from './inOrder'

/** A stop: what is brought where, and what of its sale is still open. */
export interface Delivery {
  readonly id: number
  readonly on: Day
  readonly saleId: number
  readonly saleNumber: number
  readonly customer: string
  readonly phone: string
  readonly address: string
  readonly note: string
  readonly lines: readonly { readonly quantity: string; readonly description: string }[]
  readonly open: Money
}

const delivered = (of: { readonly on?: Day }): SQL =>
  sql`h.direction = 'out' and h.by = 'delivery' ${of.on ? sql`and h.on_day = ${of.on}` : sql``}`

/** How many stops there are, and what of their sales is still open: of a sale that was brought twice with each. */
export const countDeliveries = async (
  db: Db,
  of: { readonly on?: Day },
  currency: string,
): Promise<{ readonly count: number; readonly open: Money }> => {
  const [row] = await db.execute<{ count: number; open: string }>(sql`
    select count(*)::int as count, coalesce(sum(o.open), 0)::text as open
      from handover h
      left join (select i.sale_id, sum(d.amount - d.filled) as open
                   from due d join invoice i on i.id = d.invoice_id where d.filled < d.amount group by i.sale_id) o on o.sale_id = h.sale_id
     where ${delivered(of)}`)
  const { count, open } = present(row)
  return { count, open: money(BigInt(open), currency) }
}

/** What we delivered ourselves, the newest day first, in the order in which it was handed over. */
export const listDeliveries = async (
  db: Db,
  of: { readonly on?: Day },
  part: Part,
  currency: string,
): Promise<readonly Delivery[]> => {
  const rows = await db.execute<
    Record<'id' | 'sale_id' | 'sale_number', number> &
      Record<'customer' | 'phone' | 'address' | 'note' | 'open', string> & { on: Day; lines: Delivery['lines'] }
  >(sql`
    select h.id, h.on_day::text as on, s.id as sale_id, s.number as sale_number, c.name as customer, c.phone,
           coalesce(nullif(max(l.deliver_to), ''), s.deliver_to) as address, s.deliver_note as note,
           json_agg(json_build_object('quantity', trim_scale(x.quantity)::text, 'description', l.description)
                    order by l.position, l.id) as lines,
           coalesce((select sum(d.amount - d.filled) from due d join invoice i on i.id = d.invoice_id where i.sale_id = s.id), 0)::text as open
      from handover h
      join sale s on s.id = h.sale_id
      join customer c on c.id = s.customer_id
      join handover_line x on x.handover_id = h.id
      join sale_line l on l.id = x.sale_line_id
     where h.id in (select h.id from handover h where ${delivered(of)} order by h.on_day desc, h.id ${cutTo(part)})
     group by h.id, s.id, c.id order by h.on_day desc, h.id`)
  return rows.map((r) => ({
    id: r.id,
    on: r.on,
    saleId: r.sale_id,
    saleNumber: r.sale_number,
    customer: r.customer,
    phone: r.phone,
    address: r.address,
    note: r.note,
    lines: r.lines,
    open: money(BigInt(r.open), currency),
  }))
}
