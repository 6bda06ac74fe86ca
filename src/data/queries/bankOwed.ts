import { sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { money } from '@/core/money'
import type { Owed } from '@/core/bank'
import type { Db } from '../connect'

/** What customers owe and what we owe to suppliers now, with how it is named and what is enough in time. */
export const listOwed = async (db: Db, currency: string): Promise<Owed[]> => {
  const rows = await db.execute<{
    kind: 'due' | 'bill'
    id: number
    party_id: number
    party: string
    number: string
    from_day: Day
    due_day: Day
    sale_id: number | null
    open: string
    early: string | null
    through: Day | null
  }>(sql`
    select 'due' as kind, d.id, d.customer_id as party_id, c.name as party, coalesce(i.number, d.label) as number, d.issued_on::text as from_day,
           d.due_on::text as due_day, d.sale_id,
           (d.amount - d.filled)::text as open,
           case when d.discount > 0 and d.discount_until is not null and d.filled = 0 then (d.amount - d.discount)::text end as early,
           d.discount_until::text as through
      from due d join customer c on c.id = d.customer_id left join invoice i on i.id = d.invoice_id where d.filled < d.amount
    union all
    select 'bill', b.id, b.supplier_id, s.name, b.their_number, b.on_day::text, b.due_on::text, null, (b.filled - b.gross)::text,
           case when b.discount > 0 and b.discount_on is not null and b.filled = 0 then (b.discount - b.gross)::text end, b.discount_on::text
      from bill b join supplier s on s.id = b.supplier_id where b.filled < b.gross and b.voided_on is null
    order by 1, 2`)
  return rows.map((r) => ({
    kind: r.kind,
    id: r.id,
    partyId: r.party_id,
    party: r.party,
    number: r.number,
    from: r.from_day,
    dueOn: r.due_day,
    saleId: r.sale_id,
    open: money(BigInt(r.open), currency),
    early:
      r.early !== null && r.through !== null ? { amount: money(BigInt(r.early), currency), through: r.through } : null,
  }))
}
