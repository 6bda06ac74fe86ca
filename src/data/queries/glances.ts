import { sql, type SQL } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { present } from '@/core/present'
import { PLANNED_ANEW, type Db } from '../connect'
import { isOneOf } from './search'

const BUILD = process.env.TILL_BUILD ?? ''

/** What every list of sales says of a sale itself. */
export interface SaleHead {
  readonly id: number
  readonly number: number
  readonly customerId: number
  readonly customerName: string
  readonly title: string
  readonly kind: string
  readonly channel: 'counter' | 'phone' | 'shopfront'
  readonly startedOn: Day
  readonly agreedOn: Day | null
  readonly wantedBy: Day | null
}

/** A sale, and how it was told when somebody looked last; null where nobody has, or where it may look otherwise by now. */
export interface Seen {
  readonly sale: SaleHead
  readonly told: string | null
  /** What that depends on besides. */
  readonly goods: readonly number[]
}

/** A moment of a database: which writers had ended by then, and which server and table know of the others. */
export interface Moment {
  readonly seen: string
  readonly of: string
}

/** What changed: a sale, goods, what a customer is called, or the house. */
export type Changed = readonly [what: 's' | 'g' | 'c' | 'h', id: number]

/** So many transactions are changes noted for at least, for who looks with a moment before them. */
const NOTED_FOR = 20_000

/** The moment it is now, and what changed since another; null where nobody knows that any more. */
export const readChanges = async (
  db: Db,
  before: Moment | null,
): Promise<{ readonly now: Moment; readonly since: readonly Changed[] | null }> => {
  const seen = sql`${before?.seen ?? null}::pg_snapshot`
  const xmin = (of: SQL): SQL => sql`pg_snapshot_xmin(${of})::text::bigint`
  const [row] = await db.execute<{ seen: string; of: string; since: readonly Changed[] | null }>(sql`
    select n.seen::text, n.of,
           case when n.of = ${before?.of ?? ''} and ${xmin(seen)} between ${xmin(sql`n.seen`)} - ${NOTED_FOR}::int and ${xmin(sql`n.seen`)}
             then (select coalesce(json_agg(json_build_array(x.what, x.id)), '[]')
                     from (select distinct what, id from kept.change
                            where by >= pg_snapshot_xmin(${seen}) and not pg_visible_in_snapshot(by, ${seen})) x) end as since
      from (select pg_current_snapshot() as seen, concat(pg_postmaster_start_time(), ' ', t.oid) as of
              from pg_class t join pg_namespace s on s.oid = t.relnamespace where s.nspname = 'kept' and t.relname = 'change') n`)
  const { since, ...now } = present(row)
  return { now, since }
}

/** Sales by id, in no order, each with how it looks on a day where that is kept and nobody changed anything since. */
export const listSeen = async (db: Db, ids: readonly number[], on: Day): Promise<Seen[]> => {
  if (ids.length === 0) return []
  const rows = await db.execute<
    SaleHead & { told: string | null; goods: number[] } & Record<string, unknown>
  >(sql`${sql.raw(PLANNED_ANEW)}
    select s.id, s.number, s.customer_id as "customerId", c.name as "customerName", s.title, s.kind, s.channel,
           s.started_on::text as "startedOn", s.agreed_on::text as "agreedOn", s.wanted_by::text as "wantedBy", g.told, coalesce(g.goods, '{}') as goods
      from sale s join customer c on c.id = s.customer_id
      left join kept.glance g on g.sale_id = s.id and g.on_day = ${on} and g.build = ${BUILD}
       and not exists (select from kept.change x where x.what = 'h' and not pg_visible_in_snapshot(x.by, g.seen))
       and not exists (select from kept.change x where x.what = 's' and x.id = s.id and not pg_visible_in_snapshot(x.by, g.seen))
       and not exists (select from unnest(g.goods) k(id)
                        cross join lateral (select x.by from kept.change x where x.what = 'g' and x.id = k.id offset 0) x
                        where not pg_visible_in_snapshot(x.by, g.seen))
     where ${isOneOf(sql`s.id`, ids)}`)
  return rows.map(({ told, goods, ...sale }) => ({ sale, told, goods }))
}

/** Which writers have ended by now: to be asked for before what is kept with it is read, so that it never says too much. */
export const readSnapshot = async (db: Db): Promise<string> =>
  present((await db.execute<{ now: string }>(sql`select pg_current_snapshot()::text as now`))[0]).now

/** What is kept of a look at a sale: the goods it depends on, and how it was told. */
export interface Look {
  readonly saleId: number
  readonly goods: readonly number[]
  readonly told: string
}

/** Keeps how sales looked on a day, in the order of their ids, so that two who look at once never wait for each other crosswise. */
export const keepLooks = async (db: Db, looks: readonly Look[], on: Day, seen: string): Promise<void> => {
  await db.execute(sql`
    insert into kept.glance (sale_id, on_day, build, seen, goods, told)
    select l."saleId", ${on}, ${BUILD}, ${seen}::pg_snapshot, l.goods, l.told
      from json_to_recordset(${JSON.stringify(looks)}::json) l("saleId" int, goods int[], told text) order by 1
    on conflict (sale_id) do update
      set on_day = excluded.on_day, build = excluded.build, seen = excluded.seen, goods = excluded.goods, told = excluded.told`)
}

/**
 * Throws away looks of earlier days, and changes that every look that is kept has seen; those of the last `lately` transactions stay,
 * for who is still looking with a moment before them.
 */
export const forgetLooks = async (db: Db, today: Day, lately = NOTED_FOR): Promise<void> => {
  await db.execute(sql`delete from kept.glance where on_day < ${today}`)
  await db.execute(sql`
    delete from kept.change where by::text::bigint < least(
      (select min(pg_snapshot_xmin(seen)::text::bigint) from kept.glance), pg_snapshot_xmin(pg_current_snapshot())::text::bigint - ${lately}::int)`)
}
