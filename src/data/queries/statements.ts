import { sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import type { PaperLine, PaperWord } from '@/core/formats'
import { money, type Money } from '@/core/money'
import type { Db } from '../connect'

export interface StatementRow {
  readonly on: Day
  /** What it is, and the number of the paper that it names. */
  readonly line: PaperLine
  readonly paper: { readonly kind: string; readonly id: number } | null
  /** What it changes in what the customer owes on invoices: positive owes more. */
  readonly owes: Money
}

/** Everything that changed what a customer owes, in order: dues as they were made, and what was put on them. */
export const listStatementRows = async (
  db: Db,
  customerId: number,
  to: Day,
  currency: string,
): Promise<StatementRow[]> => {
  const rows = await db.execute<{
    on: Day
    what: PaperWord | 'due-part'
    number: string | null
    label: string | null
    kind: string | null
    id: number | null
    owes: string
  }>(sql`
    select d.issued_on::text as on, 0 as step, min(d.id) as seq, 'invoice' as what, i.number, null as label, 'invoice' as kind, i.id,
             sum(d.amount - d.moved - d.beyond)::text as owes
      from due d join invoice i on i.id = d.invoice_id
     where d.customer_id = ${customerId} and d.issued_on <= ${to}
     group by d.issued_on, i.id having sum(d.amount - d.moved - d.beyond) <> 0
    union all
    select d.issued_on::text, 0, min(d.id), case when p.number is null then 'due-part' else 'planCharge' end, p.number,
             case when p.number is null then min(d.label) end, null, null, sum(d.beyond)::text
      from due d left join plan p on p.id = d.plan_id
     where d.customer_id = ${customerId} and d.issued_on <= ${to} and d.beyond <> 0
     group by d.issued_on, p.number, case when d.plan_id is null then d.id end
    union all
    select f.on_day::text, 1, min(f.id), 'credit-note', c.number, null, 'invoice', c.id, (-sum(f.amount))::text
      from due_fill f join due d on d.id = f.due_id join invoice c on c.id = f.invoice_id
     where d.customer_id = ${customerId} and f.on_day <= ${to}
     group by f.on_day, c.id having sum(f.amount) <> 0
    union all
    select f.on_day::text, 1, min(f.id),
           case when f.kind = 'held' then 'heldApplied'
                when f.kind = 'void' then case v.kind when 'bounced' then 'receiptBounced' else 'receiptVoided' end
                when f.kind = 'discount' then 'earlyDiscount'
                when f.kind = 'given-back' then 'chargeCanceled'
                when f.kind = 'write-off' then case when sum(f.amount) > 0 then 'writtenOff' else 'owedAfterAll' end
                else 'receipt' end,
           case when f.kind not in ('held', 'discount', 'given-back', 'write-off') then r.number end, null,
           case when f.receipt_id is not null then 'receipt' end, r.id, (-sum(f.amount))::text
      from due_fill f join due d on d.id = f.due_id left join receipt r on r.id = f.receipt_id
      left join receipt_void v on v.receipt_id = r.id
     where d.customer_id = ${customerId} and f.on_day <= ${to} and f.kind <> 'moved' and f.invoice_id is null
     group by f.on_day, f.kind, f.entry_id, f.receipt_id, r.id, v.kind having sum(f.amount) <> 0
     order by 1, 2, 3`)
  return rows.map((r) => ({
    on: r.on,
    line:
      r.what === 'due-part' ? { what: r.what, number: null, label: r.label ?? '' } : { what: r.what, number: r.number },
    paper: r.kind && r.id !== null ? { kind: r.kind, id: r.id } : null,
    owes: money(BigInt(r.owes), currency),
  }))
}
