import { sql, type SQL } from 'drizzle-orm'
import { addDays, type Day, type Span } from '@/core/day'
import { CASH_ROLES, type AccountKind, type AccountRole, type CashHeld, type CashMove } from '@/core/ledger'
import { money } from '@/core/money'
import type { Db } from '../connect'
import { heldThrough } from './balances'

/** Whether an account is cash. */
const isCash = (id: SQL): SQL => sql`(
  ${id} in (select c.id from account c where c.role = any(${sql.param([...CASH_ROLES])}::text[]))
  or ${id} in (select b.account_id from bank_account b))`

/** Whether a line of a span stands on the other side of cash: it is not cash itself, and its entry moved some. */
export const acrossCash = (l: SQL, { from, to }: Partial<Span>): SQL => sql`not ${isCash(sql`${l}.account_id`)}
  and ${l}.entry_id in (select m.entry_id from entry_line m where ${isCash(sql`m.account_id`)}
    and ${from ? sql`m.on_day >= ${from}` : sql`true`} and ${to ? sql`m.on_day <= ${to}` : sql`true`})`

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

/**
 * What moved on each account in entries of a span that moved cash, too: month by month, and apart what lies before `since` and what
 * does not. All of it is read at once, however many months are asked for.
 */
export const listCashMonths = async (
  db: Db,
  span: Span,
  since: Day,
  currency: string,
): Promise<readonly MonthOfCash[]> =>
  (
    await db.execute<Row>(sql`
      select a.id, a.code, a.name, a.kind, a.role, x.month::text, x.since, x.debit::text, x.credit::text
        from (select l.account_id, date_trunc('month', l.on_day)::date as month, l.on_day >= ${since} as since,
                     sum(greatest(l.amount, 0)) as debit, sum(greatest(-l.amount, 0)) as credit
                from entry_line l where l.on_day between ${span.from} and ${span.to} and ${acrossCash(sql`l`, span)} group by 1, 2, 3) x
        join account a on a.id = x.account_id order by a.code, x.month`)
  ).map(({ debit, credit, ...a }) => ({
    ...a,
    debit: money(BigInt(debit), currency),
    credit: money(BigInt(credit), currency),
  }))

/** What each account that is cash held before a span, and at its end. */
export const listCashHeld = async (db: Db, { from, to }: Span, currency: string): Promise<readonly CashHeld[]> =>
  (
    await db.execute<{ id: number; code: string; name: string; opening: string; closing: string }>(sql`
      select a.id, a.code, a.name, ${heldThrough(sql`a.id`, sql`${addDays(from, -1)}::date`)} as opening,
             ${heldThrough(sql`a.id`, sql`${to}::date`)} as closing
        from account a where ${isCash(sql`a.id`)} order by a.code`)
  ).map(({ opening, closing, ...a }) => ({
    ...a,
    opening: money(BigInt(opening), currency),
    closing: money(BigInt(closing), currency),
  }))
