import { sql, type SQL } from 'drizzle-orm'
import { addDays, laterDay, type Day, type Span } from '@/core/day'
import type { AccountKind, AccountRole, CashHeld, CashMove } from '@/core/ledger'
import { money } from '@/core/money'
import type { Db } from '../connect'
import { daysOf, heldThrough, ofEachSpan, wholeMonths, type BrokenMonth } from './balances'

/** Whether a line of a span stands on the other side of cash: it is not cash itself, and its entry moved some. */
export const acrossCash = (
  l: SQL,
  { from, to }: { readonly from?: Day | SQL; readonly to?: Day },
): SQL => sql`not (select o.is_cash from account o where o.id = ${l}.account_id)
  and ${l}.entry_id in (select m.entry_id from entry_line m join account c on c.id = m.account_id
    where c.is_cash and ${from ? sql`m.on_day >= ${from}` : sql`true`} and ${to ? sql`m.on_day <= ${to}` : sql`true`})`

interface Row extends Record<string, unknown> {
  readonly id: number
  readonly code: string
  readonly name: string
  readonly kind: AccountKind
  readonly role: AccountRole | null
  readonly month: Day
  readonly since: boolean
  readonly debit: string
  readonly credit: string
}

/** What moved on an account in a month, before a day or since. */
export interface MonthOfCash extends CashMove {
  /** Its first day. */
  readonly month: Day
  readonly since: boolean
}

const TAX: AccountRole = 'tax-due'
/** What an account is for; what a tax has for its own is for it, as the account of all taxes is. */
const roleOf = (a: SQL): SQL => sql`coalesce(${a}.role,
  (select ${TAX}::text from tax_component t where t.account_id = ${a}.id limit 1))`

/** What moved across from cash in a span, from the kept sums and, in the broken months at its ends, from the lines. */
const movesOf = (span: Span, since: boolean): SQL => {
  const { firstMonth, endMonth, andBroken } = wholeMonths(span)
  const lines = (days: BrokenMonth) => sql`
    select l.account_id, date_trunc('month', l.on_day)::date, greatest(l.amount, 0), greatest(-l.amount, 0), ${since}
      from entry_line l where l.on_day between ${days.from} and ${days.to} and ${acrossCash(sql`l`, days)}`
  return sql`
    select m.account_id, m.month, m.cash_debit, m.cash_credit, ${since}
      from account_month m where m.month >= ${firstMonth} and m.month < ${endMonth} and (m.cash_debit <> 0 or m.cash_credit <> 0)
    ${andBroken(lines)}`
}

/**
 * What moved on each account in entries of a span that moved cash, too: month by month, and apart what lies before `since` and what
 * does not. All of it is read at once, however many months are asked for: whole months from the kept sums, the broken ones at both
 * ends and around `since` from the lines themselves.
 */
export const listCashMonths = async (
  db: Db,
  span: Span,
  since: Day,
  currency: string,
): Promise<readonly MonthOfCash[]> => {
  const before = { from: span.from, to: addDays(since, -1) }
  const after = { from: laterDay(since, span.from), to: span.to }
  const moves =
    before.to < before.from ? movesOf(after, true) : sql`${movesOf(before, false)} union all ${movesOf(after, true)}`
  return (
    await db.execute<Row>(sql`
      select a.id, a.code, a.name, a.kind, ${roleOf(sql`a`)} as role, x.month::text, x.since, sum(x.debit)::text as debit, sum(x.credit)::text as credit
        from (${moves}) x(account_id, month, debit, credit, since)
        join account a on a.id = x.account_id group by a.id, x.month, x.since order by a.code, x.month`)
  ).map(({ debit, credit, ...a }) => ({
    ...a,
    debit: money(BigInt(debit), currency),
    credit: money(BigInt(credit), currency),
  }))
}

/** What each account that is cash held before each of several spans, and at its end. */
export const listCashHeld = async (
  db: Db,
  spans: readonly Span[],
  currency: string,
): Promise<readonly (readonly CashHeld[])[]> => {
  const rows = await db.execute<{
    n: number
    id: number
    code: string
    name: string
    opening: string
    closing: string
  }>(
    sql`
      select s.n::int, a.id, a.code, a.name, ${heldThrough(sql`a.id`, sql`(s.from_day - 1)`)} as opening,
             ${heldThrough(sql`a.id`, sql`s.to_day`)} as closing
        from unnest(${daysOf(spans.map((s) => s.from))}, ${daysOf(spans.map((s) => s.to))}) with ordinality s(from_day, to_day, n)
             cross join account a where a.is_cash order by s.n, a.code`,
  )
  return ofEachSpan(spans, rows, ({ id, code, name, opening, closing }) => ({
    id,
    code,
    name,
    opening: money(BigInt(opening), currency),
    closing: money(BigInt(closing), currency),
  }))
}
