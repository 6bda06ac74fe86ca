import { sql, type SQL } from 'drizzle-orm'
import { addDays, type Span } from '@/core/day'
import { CASH_ROLES, type AccountKind, type AccountRole, type CashHeld, type CashMove } from '@/core/ledger'
import { money } from '@/core/money'
import type { Db } from '../connect'
import { heldThrough } from './balances'

/** Whether an account is cash. */
const isCash = (id: SQL): SQL => sql`(
  ${id} in (select c.id from account c where c.role = any(${sql.param([...CASH_ROLES])}::text[]))
  or ${id} in (select b.account_id from bank_account b))`

/** Whether a line stands on the other side of cash: it is not cash itself, and its entry moved some. */
export const acrossCash = (l: SQL): SQL => sql`not ${isCash(sql`${l}.account_id`)}
  and ${l}.entry_id in (select m.entry_id from entry_line m where ${isCash(sql`m.account_id`)})`

/** What moved on each account in entries of a span that moved cash, too. */
export const sumCashMoves = async (db: Db, span: Span, currency: string): Promise<readonly CashMove[]> =>
  (
    await db.execute<{
      id: number
      code: string
      name: string
      kind: AccountKind
      role: AccountRole | null
      debit: string
      credit: string
    }>(sql`
      select a.id, a.code, a.name, a.kind, a.role, coalesce(sum(greatest(x.amount, 0)), 0)::text as debit,
             coalesce(sum(greatest(-x.amount, 0)), 0)::text as credit
        from entry_line x join account a on a.id = x.account_id
       where x.on_day between ${span.from} and ${span.to} and ${acrossCash(sql`x`)} group by a.id order by a.code`)
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
