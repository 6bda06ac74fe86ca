import { present } from '@/core/present'
import { nameOfDue } from '@/core/receipt'
import { sql, type SQL } from 'drizzle-orm'
import type { Day } from '@/core/day'
import type { HeldKind } from '@/core/ledger'
import { money, type Money } from '@/core/money'
import { USUAL_LIMITS, type AgeLimits, type Ages } from '@/core/receivables'
import { PLANNED_ANEW, type Db } from '../connect'

export interface AgedRow extends Ages {
  readonly key: string
  /** Null where a row is of many customers. */
  readonly customerId: number | null
  readonly name: string
  /** Held for sales: deposits and layaway. */
  readonly held: Money
  /** Held on account. */
  readonly onAccount: Money
}

/**
 * Open parts of dues as of a day: what is open now, with what was put on it later. A due on which nothing was put later is as it is now,
 * so that of those that are settled few are looked at, whatever day is asked about.
 */
export const openAsOf = (asOf: Day) => {
  const of = (open: SQL) => sql`
    select d.id, d.invoice_id, d.sale_id, d.customer_id, coalesce(d.paper_on, d.issued_on) as issued_on, d.due_on, d.label, ${open} as open
      from due d where d.issued_on <= ${asOf}`
  const later = sql`coalesce((select sum(f.amount) from due_fill f where f.due_id = d.id and f.on_day > ${asOf}), 0)`
  return sql`
  open as (
    ${of(sql`d.amount - d.filled + case when d.last_on > ${asOf} then ${later} else 0 end`)} and d.filled < d.amount
    union all
    ${of(later)} and d.filled = d.amount and d.last_on > ${asOf})`
}

const heldAsOf = (asOf: Day) => sql`
  held_then as (
    select customer_id, sale_id, kind, sum(amount) as held from (
      select customer_id, sale_id, kind, amount from held where amount > 0
      union all
      select customer_id, sale_id, kind, -amount from held_move where on_day > ${asOf}) h
     group by customer_id, sale_id, kind)`

export const AGE_GROUPS = ['customer', 'sale', 'kind', 'channel'] as const
export type AgeGroup = (typeof AGE_GROUPS)[number]

export interface AgeWish {
  readonly asOf: Day
  readonly by: 'due' | 'invoice'
  readonly currency: string
  readonly limits?: AgeLimits
  readonly group?: AgeGroup
  /** Only sales of a kind or channel. */
  readonly only?: { readonly kind?: string; readonly channel?: string }
}

/** What a row stands for: its key, its name, and whose it is where it is one customer's. `o` has the customer, `s` is the sale. */
const KEYS: Readonly<Record<AgeGroup, { readonly key: SQL; readonly name: SQL; readonly of: SQL }>> = {
  customer: { key: sql`c.id::text`, name: sql`c.name`, of: sql`c.id` },
  sale: {
    key: sql`coalesce(s.id::text, 'a' || c.id)`,
    name: sql`coalesce(s.number || ' ' || s.title || ', ', 'On account, ') || c.name`,
    of: sql`c.id`,
  },
  kind: { key: sql`coalesce(s.kind, '')`, name: sql`coalesce(s.kind, 'on account')`, of: sql`null::int` },
  channel: { key: sql`coalesce(s.channel, '')`, name: sql`coalesce(s.channel, 'on account')`, of: sql`null::int` },
}

/**
 * Everything open or held as of a day, aged from due dates or invoice dates; by customer, sale, kind or channel, in the
 * order of the names. Tested equal to core.
 */
export const ageBy = async (
  db: Db,
  { asOf, by, currency, limits = USUAL_LIMITS, group = 'customer', only = {} }: AgeWish,
): Promise<AgedRow[]> => {
  const [a, b, c] = limits
  const from = by === 'due' ? sql`due_on` : sql`issued_on`
  const days = sql`(${asOf}::date - ${from})`
  const { key, name, of } = KEYS[group]
  const rows = await db.execute<
    Record<'key' | 'name' | 'not_due' | 'd1' | 'd31' | 'd61' | 'd91' | 'total' | 'held' | 'account', string> & {
      customer_id: number | null
    }
  >(sql`
    with ${openAsOf(asOf)}, ${heldAsOf(asOf)},
    parts as (
      select customer_id, sale_id, open as total, 0::bigint as held, 0::bigint as account,
             case when ${days} <= 0 then open else 0 end as not_due,
             case when ${days} between 1 and ${a}::int then open else 0 end as d1,
             case when ${days} between ${a}::int + 1 and ${b}::int then open else 0 end as d31,
             case when ${days} between ${b}::int + 1 and ${c}::int then open else 0 end as d61,
             case when ${days} > ${c}::int then open else 0 end as d91
        from open where open <> 0
      union all
      select customer_id, sale_id, 0, case when kind <> 'account' then held else 0 end, case when kind = 'account' then held else 0 end, 0, 0, 0, 0, 0
        from held_then where held <> 0)
    select ${key} as key, min(${name}) as name, min(${of}) as customer_id,
           sum(not_due)::text as not_due, sum(d1)::text as d1, sum(d31)::text as d31, sum(d61)::text as d61, sum(d91)::text as d91,
           sum(p.total)::text as total, sum(p.held)::text as held, sum(p.account)::text as account
      from parts p join customer c on c.id = p.customer_id left join sale s on s.id = p.sale_id
     where ${only.kind ? sql`s.kind = ${only.kind}` : sql`true`} and ${only.channel ? sql`s.channel = ${only.channel}` : sql`true`}
     group by 1 having sum(p.total) <> 0 or sum(p.held) <> 0 or sum(p.account) <> 0
     order by plain_text(min(${name})), 1`)
  const amount = (text: string): Money => money(BigInt(text), currency)
  return rows.map((r) => ({
    key: r.key,
    customerId: r.customer_id,
    name: r.name,
    notDue: amount(r.not_due),
    d1to30: amount(r.d1),
    d31to60: amount(r.d31),
    d61to90: amount(r.d61),
    over90: amount(r.d91),
    total: amount(r.total),
    held: amount(r.held),
    onAccount: amount(r.account),
  }))
}

export interface OpenThen {
  readonly dueId: number
  readonly invoiceId: number | null
  /** What it is called: its bill, and which part of it. */
  readonly name: string
  readonly saleId: number
  readonly saleNumber: number
  readonly title: string
  readonly issuedOn: Day
  readonly dueOn: Day
  readonly open: Money
}

/** The dues of one customer that were open as of a day, oldest first. */
export const listOpenAsOf = async (db: Db, customerId: number, asOf: Day, currency: string): Promise<OpenThen[]> => {
  const rows = await db.execute<{
    id: number
    invoice_id: number | null
    number: string | null
    label: string
    sale_id: number
    sale_number: number
    title: string
    issued_on: Day
    due_on: Day
    open: string
  }>(sql`
    with ${openAsOf(asOf)}
    select o.id, o.invoice_id, i.number, o.label, o.sale_id, s.number as sale_number, s.title, o.issued_on::text, o.due_on::text, o.open::text
      from open o left join invoice i on i.id = o.invoice_id join sale s on s.id = o.sale_id
     where o.customer_id = ${customerId} and o.open <> 0 order by o.due_on, o.id`)
  return rows.map((r) => ({
    dueId: r.id,
    invoiceId: r.invoice_id,
    name: nameOfDue({ number: r.number ?? '', label: r.label }),
    saleId: r.sale_id,
    saleNumber: r.sale_number,
    title: r.title,
    issuedOn: r.issued_on,
    dueOn: r.due_on,
    open: money(BigInt(r.open), currency),
  }))
}

/** What the side ledgers say as of a day; each must equal its account. */
export const sumSubledgers = async (db: Db, asOf: Day, currency: string) => {
  const row = present(
    (
      await db.execute<
        Record<'receivables' | 'stock' | 'ahead' | 'unearned' | 'taxAhead', string>
      >(sql`${sql.raw(PLANNED_ANEW)}
    with ${openAsOf(asOf)}
    select (select coalesce(sum(open), 0) from open)::text as receivables,
           ((select coalesce(sum(value), 0) from on_hand) - (select coalesce(sum(value), 0) from stock_move where on_day > ${asOf}))::text as stock,
           (coalesce((select sum(case when i.kind = 'credit-note' then -l.ahead else l.ahead end)
               from invoice i join invoice_line l on l.invoice_id = i.id
              where i.status = 'issued' and l.ahead <> 0 and i.on_day <= ${asOf}), 0)
            - coalesce((select sum(l.earned) from handover h join handover_line l on l.handover_id = h.id
              where l.earned <> 0 and h.on_day <= ${asOf}), 0))::text as ahead,
           (select coalesce(sum(amount), 0) from plan_charge where on_day <= ${asOf})::text as unearned,
           (select coalesce(sum(amount), 0) from tax_move where why = 'ahead' and on_day <= ${asOf})::text as "taxAhead"`)
    )[0],
  )
  const heldRows = await db.execute<{ kind: HeldKind; held: string }>(sql`
    with ${heldAsOf(asOf)} select kind, sum(held)::text as held from held_then group by kind`)
  const heldOf = (kind: HeldKind): Money => money(BigInt(heldRows.find((r) => r.kind === kind)?.held ?? '0'), currency)
  return {
    receivables: money(BigInt(row.receivables), currency),
    stock: money(BigInt(row.stock), currency),
    ahead: money(BigInt(row.ahead), currency),
    unearned: money(BigInt(row.unearned), currency),
    taxAhead: money(BigInt(row.taxAhead), currency),
    held: { deposit: heldOf('deposit'), layaway: heldOf('layaway'), account: heldOf('account') },
  }
}

export interface Flags {
  readonly inToday: Money
  readonly held: Money
  readonly owed: Money
  readonly late: Money
}

/** The four figures of the band. */
export const readFlags = async (db: Db, today: Day, currency: string): Promise<Flags> => {
  const row = present(
    (
      await db.execute<Record<keyof Flags, string>>(sql`
    select ((select coalesce(sum(amount), 0) from receipt where on_day = ${today})
            - (select coalesce(sum(r.amount), 0) from receipt_void v join receipt r on r.id = v.receipt_id where v.on_day = ${today}))::text as "inToday",
           (select coalesce(sum(amount), 0) from held where amount > 0)::text as held,
           d.owed, d.late
      from (select coalesce(sum(amount - filled), 0)::text as owed,
                   coalesce(sum(amount - filled) filter (where due_on < ${today}), 0)::text as late
              from due where filled < amount) d`)
    )[0],
  )
  const amount = (text: string): Money => money(BigInt(text), currency)
  return {
    inToday: amount(row.inToday),
    held: amount(row.held),
    owed: amount(row.owed),
    late: amount(row.late),
  }
}

/** Dues of a customer that were paid in full, with the day the last part came: for the days they take. */
export const listPaidDues = async (db: Db, customerId: number, limit: number, currency: string) => {
  // First the customer's: the planner thinks that few dues are paid, and would look through all that are.
  const rows = await db.execute<{ amount: string; from: Day; paid_on: Day }>(sql`
    with theirs as materialized (select * from due where customer_id = ${customerId})
    select d.amount::text, d.issued_on::text as from, d.paid_on::text from theirs d
     where d.filled = d.amount and d.in_money and d.paid_on is not null
     order by d.paid_on desc limit ${limit}`)
  return rows.map((r) => ({
    amount: money(BigInt(r.amount), currency),
    from: r.from,
    paidOn: r.paid_on,
  }))
}

/** What customers owe on a day that falls due through another: late ones too. */
export const sumDueThrough = async (db: Db, asOf: Day, through: Day): Promise<bigint> => {
  const [row] = await db.execute<{ open: string }>(sql`
    select coalesce(sum(amount - filled), 0)::text as open from due
     where issued_on <= ${asOf} and due_on <= ${through} and filled < amount`)
  return BigInt(row?.open ?? 0)
}
