import type { Db } from '../connect'
import { type Day, day, monthStart, addMonths, addDays } from '@/core/day'
import { type Money, money } from '@/core/money'
import { present } from '@/core/present'
import { sql, and, eq, asc, type SQL } from 'drizzle-orm'
import type { AccountSum, AccountKind } from '@/core/ledger'
import { entryLine, entry } from '../schema'
import { YEAR_END } from '@/core/kinds'

/** What an account holds through a day, in debit: a value for any query that has both. */
export const heldThrough = (accountId: SQL, through: SQL): SQL<string> => sql<string>`
    (coalesce((select sum(m.debit - m.credit) from account_month m where m.account_id = ${accountId} and m.month < date_trunc('month', ${through}::date)), 0)
   + coalesce((select sum(l.amount) from entry_line l where l.account_id = ${accountId}
                  and l.on_day between date_trunc('month', ${through}::date)::date and ${through}), 0))::text`

const sumWhere = async (db: Db, is: SQL, through: Day, currency: string): Promise<Money> => {
  const [row] = await db.execute<{ sum: string }>(
    sql`select ${heldThrough(sql`a.id`, sql`${through}`)} as sum from account a where ${is}`,
  )
  return money(BigInt(present(row).sum), currency)
}

/** What a role's account holds through a day. */
export const sumRole = (db: Db, role: string, through: Day, currency: string): Promise<Money> =>
  sumWhere(db, sql`a.role = ${role}`, through, currency)

/** What the account of an id holds through a day, in debit. */
export const sumAccount = (db: Db, id: number, through: Day, currency: string): Promise<Money> =>
  sumWhere(db, sql`a.id = ${id}`, through, currency)

/** Whether anything lies between two days: the last of a span, and the first of the month after it. */
type LiesBetween = (after: Day, before: Day) => SQL

const LINES_BETWEEN: LiesBetween = (after, before) =>
  sql`select from entry_line where on_day > ${after} and on_day < ${before}`

/**
 * The whole months of a span, from `firstMonth` until before `endMonth`, and the days of its broken months: before `headEnds`, and from
 * `tailBegins` on. The month in which a span ends is whole where nothing lies after its end: until today, that is nearly always so.
 */
export const wholeMonths = (span: { readonly from?: Day; readonly to: Day }, between: LiesBetween = LINES_BETWEEN) => {
  const from = span.from ?? day('0001-01-01')
  const firstMonth = from === monthStart(from) ? from : addMonths(monthStart(from), 1)
  const lastMonth = monthStart(addDays(span.to, 1))
  const next = addMonths(lastMonth, 1)
  const endMonth =
    lastMonth > span.to
      ? sql`${lastMonth}::date`
      : sql`(select case when exists (${between(span.to, next)}) then ${lastMonth}::date else ${next}::date end)`
  const headEnds = firstMonth <= span.to ? firstMonth : addDays(span.to, 1)
  return { from, firstMonth, endMonth, headEnds, tailBegins: sql`greatest(${endMonth}, ${firstMonth}::date)` }
}

/** Takes out again what the entries of closed years moved: what was earned in a year stays what it was. */
const lessYearEnds = (from: Day, to: Day) => sql`
      union all
      select l.account_id, -greatest(l.amount, 0), -greatest(-l.amount, 0)
        from entry e join entry_line l on l.entry_id = e.id
       where e.source_kind = ${YEAR_END} and e.on_day between ${from} and ${to}`

/**
 * What each account was debited and credited from `from` (or ever) through `to`. Whole months come from the kept sums,
 * the broken months at both ends from the lines themselves.
 */
export const sumAccounts = async (
  db: Db,
  span: { readonly from?: Day; readonly to: Day },
  currency: string,
  { withoutYearEnd = false }: { readonly withoutYearEnd?: boolean } = {},
): Promise<AccountSum[]> => {
  const { from, firstMonth, endMonth, headEnds, tailBegins } = wholeMonths(span)
  const lines = sql`select l.account_id, greatest(l.amount, 0) as debit, greatest(-l.amount, 0) as credit from entry_line l`
  const rows = await db.execute<{
    id: number
    code: string
    name: string
    kind: AccountKind
    debit: string
    credit: string
  }>(sql`
    with parts as (
      select m.account_id, m.debit, m.credit from account_month m where m.month >= ${firstMonth} and m.month < ${endMonth}
      union all
      ${lines} where l.on_day >= ${from} and l.on_day < ${headEnds}
      union all
      ${lines} where l.on_day >= ${tailBegins} and l.on_day <= ${span.to}
      ${withoutYearEnd ? lessYearEnds(from, span.to) : sql``}
    )
    select a.id, a.code, a.name, a.kind, coalesce(sum(p.debit), 0)::text as debit, coalesce(sum(p.credit), 0)::text as credit
      from account a left join parts p on p.account_id = a.id
     group by a.id order by a.code`)
  return rows.map((r) => ({
    id: r.id,
    code: r.code,
    name: r.name,
    kind: r.kind,
    debit: money(BigInt(r.debit), currency),
    credit: money(BigInt(r.credit), currency),
  }))
}

export interface AccountLine {
  readonly id: number
  readonly entryId: number
  readonly on: Day
  readonly text: string
  readonly sourceKind: string
  readonly sourceId: number | null
  readonly amount: Money
}

/** An account's lines of a span in order, a page at a time (`skip` lines passed over). */
export const listAccountLines = async (
  db: Db,
  accountId: number,
  span: { readonly from: Day; readonly to: Day },
  part: { readonly limit?: number; readonly offset: number },
  currency: string,
): Promise<{ lines: AccountLine[]; before: Money }> => {
  const where = and(eq(entryLine.accountId, accountId), sql`${entryLine.onDay} between ${span.from} and ${span.to}`)
  const all = db
    .select({
      id: entryLine.id,
      entryId: entry.id,
      on: entry.onDay,
      text: entry.text,
      sourceKind: entry.sourceKind,
      sourceId: entry.sourceId,
      amount: entryLine.amount,
    })
    .from(entryLine)
    .innerJoin(entry, eq(entry.id, entryLine.entryId))
    .where(where)
    .orderBy(asc(entryLine.onDay), asc(entryLine.id))
    .offset(part.offset)
  const rows = await (part.limit === undefined ? all : all.limit(part.limit))
  const skipped = present(
    (
      await db.execute<{ sum: string }>(sql`
    select coalesce(sum(amount), 0)::text as sum from (
      select amount from entry_line where account_id = ${accountId} and on_day between ${span.from} and ${span.to}
       order by on_day, id limit ${part.offset}) s`)
    )[0],
  )
  return {
    lines: rows.map((r) => ({ ...r, on: r.on, amount: money(r.amount, currency) })),
    before: money(BigInt(skipped.sum), currency),
  }
}

/** What each account of entries stood at before them, in debit, by `entryId:accountId`. Whole months come from the kept sums. */
export const balancesBefore = async (
  db: Db,
  entryIds: readonly number[],
  currency: string,
): Promise<Map<string, Money>> => {
  if (entryIds.length === 0) return new Map()
  const rows = await db.execute<{ entry_id: number; account_id: number; before: string }>(sql`
    select t.entry_id, t.account_id,
           (coalesce((select sum(m.debit - m.credit) from account_month m where m.account_id = t.account_id and m.month < date_trunc('month', t.on_day)), 0)
          + coalesce((select sum(l.amount) from entry_line l where l.account_id = t.account_id and l.on_day >= date_trunc('month', t.on_day)::date
                         and (l.on_day < t.on_day or (l.on_day = t.on_day and l.entry_id < t.entry_id))), 0))::text as before
      from (select distinct entry_id, account_id, on_day from entry_line where entry_id in ${[...entryIds]}) t`)
  return new Map(rows.map((r) => [`${r.entry_id}:${r.account_id}`, money(BigInt(r.before), currency)]))
}
