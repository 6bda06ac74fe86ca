import { sql } from 'drizzle-orm'
import type { Span } from '@/core/day'
import type { Db } from '../connect'

/** Invoices and credit notes issued in a span, in the order of their numbers. */
export const listInvoicesOfSpan = (db: Db, { from, to }: Span): Promise<readonly { readonly id: number }[]> =>
  db.execute<{ id: number }>(
    sql`select id from invoice where status = 'issued' and on_day between ${from} and ${to} order by on_day, id`,
  )

/** Files kept with bills and with the owner's own entries of a span, each with the folder it belongs to. */
export const listFilesOfSpan = (
  db: Db,
  { from, to }: Span,
): Promise<readonly { readonly id: number; readonly folder: string; readonly name: string }[]> =>
  db.execute<{ id: number; folder: string; name: string }>(sql`
    select f.id, 'bills/' || b.number as folder, f.name from file f join bill b on b.id = f.owner_id
     where f.owner_kind = 'bill' and b.on_day between ${from} and ${to}
    union all
    select f.id, 'entries/' || e.id, f.name from file f join entry e on e.id = f.owner_id
     where f.owner_kind = 'entry' and e.on_day between ${from} and ${to}
     order by 2, 1`)
