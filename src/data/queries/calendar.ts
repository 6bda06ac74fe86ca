import { eq, sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import type { Db } from '../connect'
import { calendarLink } from '../schema'

/** There is one way at a time: another one ends the one before. */
export const replaceCalendarLink = async (db: Db, row: typeof calendarLink.$inferInsert | null): Promise<void> => {
  await db.delete(calendarLink)
  if (row) await db.insert(calendarLink).values(row)
}

export const findCalendarLink = async (db: Db, tokenHash: string): Promise<boolean> =>
  (await db.select({ id: calendarLink.id }).from(calendarLink).where(eq(calendarLink.tokenHash, tokenHash))).length > 0

export interface CalendarRow extends Record<string, unknown> {
  readonly key: string
  readonly on: Day
  readonly what: 'due' | 'bill' | 'wanted'
  readonly name: string
  readonly about: string
  /** In minor units; none of what is wanted. */
  readonly amount: string | null
}

/** What falls due to us and by us, and what is wanted by when, around a day: what is nearest to it where there is more than a calendar takes. */
export const listCalendar = (
  db: Db,
  { from, today, to }: { readonly from: Day; readonly today: Day; readonly to: Day },
) =>
  db.execute<CalendarRow>(sql`select * from (
    select 'due-' || d.id as key, d.due_on::text as on, 'due' as what, c.name, coalesce(i.number, d.label) as about, (d.amount - d.filled)::text as amount
      from due d join customer c on c.id = d.customer_id left join invoice i on i.id = d.invoice_id
     where d.filled < d.amount and d.due_on between ${from} and ${to}
    union all
    select 'bill-' || b.id, b.due_on::text, 'bill', s.name, b.their_number, (b.gross - b.filled)::text
      from bill b join supplier s on s.id = b.supplier_id where b.filled < b.gross and b.voided_on is null and b.due_on between ${from} and ${to}
    union all
    select 'sale-' || s.id, s.wanted_by::text, 'wanted', c.name, s.title, null
      from sale s join customer c on c.id = s.customer_id
     where s.wanted_by between ${from} and ${to} and s.agreed_on is not null and s.closed_as is null
       and exists (select from sale_line l where l.sale_id = s.id and l.handed_over < l.quantity)
    ) x order by abs(x.on::date - ${today}::date), x.key limit 2000`)
