import { sql } from 'drizzle-orm'
import { addMonths, monthStart, type Day } from '@/core/day'
import { money, type Money } from '@/core/money'
import type { Db } from '@/data/connect'

export interface HabitMonth {
  readonly month: Day
  /** Whole days from the bill to the last payment, weighted by amount; null where nothing was paid up. */
  readonly days: number | null
  /** Of what was paid up that month, the part in per cent that came after its due date. */
  readonly lateShare: number | null
}

/** How customers paid, month by month: days to pay, and the share that came late. */
export const readPayHabits = async (db: Db, today: Day, months: number): Promise<HabitMonth[]> => {
  const first = addMonths(monthStart(today), 1 - months)
  const rows = await db.execute<{ month: string; days: number; late: number }>(sql`
    select date_trunc('month', on_day)::date::text as month,
           round(sum(waited) / sum(amount))::int as days, round(100 * coalesce(sum(late), 0) / sum(amount))::int as late
      from (select paid_on as on_day, sum(amount) as amount, sum(amount * (paid_on - issued_on)) as waited,
                   sum(amount) filter (where paid_on > due_on) as late
              from due where filled = amount and in_money and paid_on >= ${first} group by paid_on) of_day
     group by 1`)
  return Array.from({ length: months }, (_, i) => {
    const month = addMonths(first, i)
    const row = rows.find((r) => r.month === month)
    return { month, days: row?.days ?? null, lateShare: row?.late ?? null }
  })
}

export interface OweOverTime {
  readonly customerId: number
  readonly name: string
  /** What they owed at the end of each month, the last as of today. */
  readonly owed: readonly Money[]
}

/** The ten who owe most today, and what they owed at the end of each of the last months. */
export const readOweMost = async (db: Db, today: Day, months: number, currency: string): Promise<OweOverTime[]> => {
  const first = addMonths(monthStart(today), 1 - months)
  const rows = await db.execute<{ customer_id: number; name: string; months: string[]; moved: string[] }>(sql`
    with most as (select customer_id, sum(amount - filled) as owed from due where filled < amount group by 1 order by 2 desc, 1 limit 10),
    theirs as (select d.id, d.customer_id, d.issued_on, d.amount from most m join due d on d.customer_id = m.customer_id),
    moved as (
      select customer_id, issued_on as on_day, amount from theirs
      union all
      select d.customer_id, greatest(f.on_day, d.issued_on), -f.amount from theirs d join due_fill f on f.due_id = d.id),
    of_month as (
      select customer_id, greatest(date_trunc('month', on_day)::date, ${first}) as month, sum(amount) as amount
        from moved where on_day <= ${today} group by 1, 2)
    select m.customer_id, c.name, array_agg(x.month::text) as months, array_agg(x.amount::text) as moved
      from most m join customer c on c.id = m.customer_id left join of_month x on x.customer_id = m.customer_id
     group by m.customer_id, m.owed, c.name order by m.owed desc, m.customer_id`)
  return rows.map((r) => {
    let owed = 0n
    const ends = Array.from({ length: months }, (_, i) => {
      owed += BigInt(r.moved[r.months.indexOf(addMonths(first, i))] ?? 0)
      return money(owed, currency)
    })
    return { customerId: r.customer_id, name: r.name, owed: ends }
  })
}
