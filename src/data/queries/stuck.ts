import { sql } from 'drizzle-orm'
import { addDays, type Day } from '@/core/day'
import type { Db } from '../connect'

/** What should have happened by itself on an earlier day, and did not: it is tried again, and somebody has to look at why. */
export interface Stuck {
  readonly kind: 'sale' | 'bill' | 'entry' | 'statements'
  /** What it is of: the sale, the bill or the entry that repeats, the bank account. */
  readonly id: number
  readonly name: string
  /** Its day; of statements the last day of which one came. */
  readonly on: Day
}

/** So many days a bank may take. */
const LATE = 4

/** Everything that is stuck on a day, the longest first, at most ten. */
export const listStuck = (db: Db, today: Day): Promise<Stuck[]> =>
  db.execute<Stuck & Record<string, unknown>>(sql`
    select * from (
      select 'sale' as kind, r.sale_id as id, coalesce(nullif(s.title, ''), 'Sale ' || s.number) as name, r.next_on::text as on
        from repeat r join sale s on s.id = r.sale_id
       where r.next_on < ${today}
      union all
      select 'bill', r.bill_id, b.number, r.next_on::text from bill_repeat r join bill b on b.id = r.bill_id where r.next_on < ${today}
      union all
      select 'entry', r.entry_id, e.text, r.next_on::text from entry_repeat r join entry e on e.id = r.entry_id where r.next_on < ${today}
      union all
      select 'statements', b.id, b.name, b.fed_through::text from bank_account b where b.fed_through < ${addDays(today, -LATE)}
    ) x order by x.on, x.kind, x.id limit 10`)
