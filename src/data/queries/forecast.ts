import { sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { present } from '@/core/present'
import { PLANNED_ANEW, type Db } from '../connect'
import { openAsOf } from './receivables'
import { isOneOf } from './search'

/**
 * Days late (below zero: early) of dues paid in money, settled through a day, of the thirteen months before it: those of some customers,
 * the newest first, and of everybody how many dues took so many days.
 */
export const listLateness = async (db: Db, through: Day, customerIds: readonly number[]) => {
  const rows = await db.execute<{
    customer_id: number | null
    days: number[]
    dues: number
  }>(sql`${sql.raw(PLANNED_ANEW)}
    with lately as materialized (
      select id, customer_id, paid_on, paid_on - due_on as days from due
       where filled = amount and in_money and paid_on between ${through}::date - 400 and ${through}
         and issued_on > ${through}::date - 400)
    select null::int as customer_id, array[days] as days, count(*)::int as dues from lately group by days
    union all
    select customer_id, (array_agg(days order by paid_on desc, id desc))[1:60], count(*)::int from lately
     where ${isOneOf(sql`customer_id`, [...new Set(customerIds)])} group by customer_id`)
  return {
    own: new Map(rows.flatMap((r) => (r.customer_id === null ? [] : [[r.customer_id, r.days] as const]))),
    everybody: rows.flatMap((r) => (r.customer_id === null ? [[present(r.days[0]), r.dues] as const] : [])),
  }
}

/** Every due open as of a day, for the simulation. */
export const listOpenForForecast = async (db: Db, asOf: Day) => {
  const rows = await db.execute<{ customer_id: number; due_on: Day; open: string }>(sql`
    with ${openAsOf(asOf)} 
    select customer_id, due_on::text, sum(open)::text as open from open
     where open > 0 group by customer_id, due_on order by due_on, customer_id`)
  return rows.map((r) => ({ customerId: r.customer_id, dueOn: r.due_on, open: r.open }))
}

/** Money that came on dues week by week: what a forecast made before them is held against. Only dues issued through `issuedBy`. */
export const sumCameByWeek = async (
  db: Db,
  span: { readonly from: Day; readonly to: Day; readonly issuedBy: Day },
): Promise<Map<Day, bigint>> => {
  const rows = await db.execute<{ week: Day; came: string }>(sql`
    select date_trunc('week', f.on_day)::date::text as week, sum(f.amount)::text as came
      from due_fill f join due d on d.id = f.due_id
     where f.kind in ('receipt', 'held', 'void', 'released') and f.on_day between ${span.from} and ${span.to} and d.issued_on <= ${span.issuedBy}
     group by 1`)
  return new Map(rows.map((r) => [r.week, BigInt(r.came)]))
}

/** Customers with something open, those with most first. */
export const listOpenCustomers = async (
  db: Db,
  limit: number,
): Promise<{ readonly id: number; readonly name: string }[]> =>
  (
    await db.execute<{ id: number; name: string }>(
      sql`select c.id, c.name from due d join customer c on c.id = d.customer_id where d.filled < d.amount group by c.id order by sum(d.amount - d.filled) desc, c.id limit ${limit}`,
    )
  ).map((r) => ({ id: r.id, name: r.name }))
