import type { Db } from '../connect'
import { type Day, type Span, day, monthStart, addMonths, addDays } from '@/core/day'
import { type Money, money } from '@/core/money'
import { present } from '@/core/present'
import { rowsBy } from '@/core/rowsBy'
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

/** Before anything was posted. */
const EVER = day('0001-01-01')

/** The first whole month of a span, before what its broken one before it ends, and the month after its last one that is surely whole. */
const monthsWithin = ({ from, to }: Span) => {
  const firstMonth = from === monthStart(from) ? from : addMonths(monthStart(from), 1)
  return { firstMonth, headEnds: firstMonth <= to ? firstMonth : addDays(to, 1), lastMonth: monthStart(addDays(to, 1)) }
}

/** Whether anything lies between two days: the last of a span, and the first of the month after it. */
type LiesBetween = (after: SQL, before: SQL) => SQL

const LINES_BETWEEN: LiesBetween = (after, before) =>
  sql`select from entry_line where on_day > ${after} and on_day < ${before}`

/**
 * The month after the last whole one of a span that ends on a day. The month in which it ends is whole where nothing lies after its end:
 * until today, that is nearly always so, and the statement finds it out.
 */
const endOf = (to: SQL, lastMonth: SQL, between: LiesBetween): SQL => {
  const next = sql`(${lastMonth} + interval '1 month')::date`
  return sql`case when ${lastMonth} > ${to} or exists (${between(to, next)}) then ${lastMonth} else ${next} end`
}

/** Days of a month of which a span has a part; none where the end lies before the begin. */
export interface BrokenMonth {
  readonly from: Day | SQL
  readonly to: Day
}

/** What adds rows of broken months to those of whole ones. */
const adding =
  (broken: readonly BrokenMonth[]) =>
  (rowsOf: (days: BrokenMonth) => SQL): SQL =>
    sql.join(broken.map((days) => sql` union all ${rowsOf(days)} `))

/** The broken month a span begins with, if it does. */
const headOf = (from: Day, { firstMonth, headEnds }: ReturnType<typeof monthsWithin>): BrokenMonth[] =>
  from < firstMonth ? [{ from, to: addDays(headEnds, -1) }] : []

/** The whole months of a span, from `firstMonth` until before `endMonth`, and what adds rows of its broken ones to theirs. */
export const wholeMonths = (span: { readonly from?: Day; readonly to: Day }, between: LiesBetween = LINES_BETWEEN) => {
  const from = span.from ?? EVER
  const within = monthsWithin({ from, to: span.to })
  const { firstMonth, lastMonth } = within
  const isEnd = lastMonth > span.to
  const last = sql`${lastMonth}::date`
  const endMonth = isEnd ? last : sql`(select ${endOf(sql`${span.to}::date`, last, between)})`
  const tail = !isEnd && firstMonth <= span.to
  const broken = [
    ...headOf(from, within),
    ...(tail ? [{ from: sql`greatest(${endMonth}, ${firstMonth}::date)`, to: span.to }] : []),
  ]
  return { firstMonth, endMonth, andBroken: adding(broken) }
}

/** The same, found out beforehand: for a statement that is planned by how much lies in its months. */
export const readWholeMonths = async (db: Db, span: Span) => {
  const within = monthsWithin(span)
  const { firstMonth, lastMonth } = within
  const next = addMonths(lastMonth, 1)
  const [row] =
    lastMonth > span.to
      ? [{ lies: true }]
      : await db.execute<{ lies: boolean }>(
          sql`select exists (${LINES_BETWEEN(sql`${span.to}`, sql`${next}`)}) as lies`,
        )
  const endMonth = present(row).lies ? lastMonth : next
  const tailFrom = endMonth < firstMonth ? firstMonth : endMonth
  const tail = tailFrom <= span.to ? [{ from: tailFrom, to: span.to }] : []
  return { firstMonth, endMonth, andBroken: adding([...headOf(span.from, within), ...tail]) }
}

/**
 * Takes out again what the entries of closed years moved: what was earned in a year stays what it was. Their kind is told as it is: a plan
 * for any kind reads all entries.
 */
const LESS_YEAR_ENDS = sql`
      union all
      select l.account_id, -greatest(l.amount, 0), -greatest(-l.amount, 0)
        from entry e join entry_line l on l.entry_id = e.id
       where e.source_kind = ${sql.raw(`'${YEAR_END}'`)} and e.on_day between s.from_day and s.to_day`

/** Days as one parameter, however many there are. */
export const daysOf = (days: readonly Day[]): SQL => sql`${sql.param(`{${days.join()}}`)}::date[]`

/** Rows of several spans, each span's own; `n` is which of them, from 1. */
export const ofEachSpan = <R extends { readonly n: number }, T>(
  spans: readonly unknown[],
  rows: readonly R[],
  as: (row: R) => T,
): readonly T[][] => {
  const bySpan = rowsBy(rows, (r) => r.n)
  return spans.map((_, i) => (bySpan.get(i + 1) ?? []).map(as))
}

/**
 * What each account was debited and credited in each of several spans, from `from` (or ever) through `to`. Whole months come from the
 * kept sums, the broken months at both ends from the lines themselves; all of it is asked at once, so that the spans fit each other.
 */
export const sumAccountsOf = async (
  db: Db,
  spans: readonly { readonly from?: Day; readonly to: Day }[],
  currency: string,
  { withoutYearEnd = false }: { readonly withoutYearEnd?: boolean } = {},
): Promise<readonly AccountSum[][]> => {
  const whole = spans.map(({ from = EVER, to }) => ({ from, to, ...monthsWithin({ from, to }) }))
  const each = (of: 'from' | 'to' | 'firstMonth' | 'headEnds' | 'lastMonth') => daysOf(whole.map((w) => w[of]))
  const lines = sql`select l.account_id, greatest(l.amount, 0) as debit, greatest(-l.amount, 0) as credit from entry_line l`
  const rows = await db.execute<{
    n: number
    id: number
    code: string
    name: string
    kind: AccountKind
    debit: string
    credit: string
  }>(sql`
    with span as (
      select u.*, ${endOf(sql`u.to_day`, sql`u.last_month`, LINES_BETWEEN)} as end_month
        from unnest(${each('from')}, ${each('to')}, ${each('firstMonth')}, ${each('headEnds')}, ${each('lastMonth')})
             with ordinality u(from_day, to_day, first_month, head_ends, last_month, n)
    ),
    sums as (
      select s.n, p.account_id, sum(p.debit) as debit, sum(p.credit) as credit from span s cross join lateral (
        select m.account_id, m.debit, m.credit from account_month m where m.month >= s.first_month and m.month < s.end_month
        union all
        ${lines} where l.on_day >= s.from_day and l.on_day < s.head_ends
        union all
        ${lines} where l.on_day between greatest(s.end_month, s.first_month) and s.to_day
        ${withoutYearEnd ? LESS_YEAR_ENDS : sql``}
      ) p group by 1, 2
    )
    select s.n::int, a.id, a.code, a.name, a.kind, coalesce(p.debit, 0)::text as debit, coalesce(p.credit, 0)::text as credit
      from span s cross join account a left join sums p on p.n = s.n and p.account_id = a.id
     order by s.n, a.code`)
  return ofEachSpan(spans, rows, ({ id, code, name, kind, debit, credit }) => ({
    id,
    code,
    name,
    kind,
    debit: money(BigInt(debit), currency),
    credit: money(BigInt(credit), currency),
  }))
}

/** What each account was debited and credited from `from` (or ever) through `to`. */
export const sumAccounts = async (
  db: Db,
  span: { readonly from?: Day; readonly to: Day },
  currency: string,
  but: { readonly withoutYearEnd?: boolean } = {},
): Promise<readonly AccountSum[]> => present((await sumAccountsOf(db, [span], currency, but))[0])

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
