import { present } from '@/core/present'
import { and, desc, eq, sql } from 'drizzle-orm'
import { type Day, day } from '@/core/day'
import type { Method } from '@/core/ledger'
import { money, type Money } from '@/core/money'
import type { Db } from '../connect'
import {
  account,
  banked,
  bankingSlip,
  cardSettlement,
  customer,
  drawerCount,
  drawerMove,
  receipt,
  receiptVoid,
} from '../schema'
import { isOneOf } from './search'

const withId =
  <T extends typeof drawerMove | typeof drawerCount | typeof bankingSlip | typeof cardSettlement>(table: T) =>
  async (db: Db, row: T['$inferInsert'], id: number): Promise<void> => {
    await db
      .insert(table)
      .overridingSystemValue()
      .values({ ...row, id } as never)
  }
export const insertDrawerMove = withId(drawerMove)
export const insertDrawerCount = withId(drawerCount)
export const insertBankingSlip = withId(bankingSlip)
export const insertCardSettlement = withId(cardSettlement)

export const insertBanked = async (db: Db, rows: readonly (typeof banked.$inferInsert)[]): Promise<void> => {
  if (rows.length > 0) await db.insert(banked).values([...rows])
}

/** What a role's account holds through a day. */
export const sumRole = async (db: Db, role: string, through: Day, currency: string): Promise<Money> => {
  const row = present(
    (
      await db.execute<{ sum: string }>(sql`
    select (coalesce((select sum(m.debit - m.credit) from account_month m where m.account_id = a.id and m.month < date_trunc('month', ${through}::date)), 0)
          + coalesce((select sum(l.amount) from entry_line l where l.account_id = a.id and l.on_day between date_trunc('month', ${through}::date)::date and ${through}), 0))::text as sum
      from account a where a.role = ${role}`)
    )[0],
  )
  return money(BigInt(row.sum), currency)
}

export interface DrawerLine {
  readonly text: string
  readonly amount: Money
  readonly entryId: number
  readonly sourceKind: string
  readonly sourceId: number | null
}

/** Everything that moved the drawer on a day, in order. */
export const listDrawerLines = async (db: Db, on: Day, currency: string): Promise<DrawerLine[]> => {
  const rows = await db.execute<{
    text: string
    amount: string
    entry_id: number
    source_kind: string
    source_id: number | null
  }>(sql`
    select e.text, l.amount::text, e.id as entry_id, e.source_kind, e.source_id
      from entry_line l join entry e on e.id = l.entry_id join account a on a.id = l.account_id
     where a.role = 'drawer' and l.on_day = ${on} order by l.id`)
  return rows.map((r) => ({
    text: r.text,
    amount: money(BigInt(r.amount), currency),
    entryId: r.entry_id,
    sourceKind: r.source_kind,
    sourceId: r.source_id,
  }))
}

export const listDrawerCounts = async (db: Db, page: { readonly limit: number; readonly on?: Day }, currency: string) =>
  (
    await db
      .select()
      .from(drawerCount)
      .where(page.on ? eq(drawerCount.onDay, page.on) : undefined)
      .orderBy(desc(drawerCount.id))
      .limit(page.limit)
  ).map((r) => ({
    id: r.id,
    number: r.number,
    on: r.onDay,
    expected: money(r.expected, currency),
    counted: money(r.counted, currency),
    over: money(r.counted - r.expected, currency),
    pieces: r.pieces as Readonly<Record<string, number>>,
    entryId: r.entryId,
  }))

export const listDrawerMoves = async (db: Db, on: Day, currency: string) =>
  (
    await db
      .select({ move: drawerMove, account: account.name })
      .from(drawerMove)
      .innerJoin(account, eq(account.id, drawerMove.accountId))
      .where(eq(drawerMove.onDay, on))
      .orderBy(drawerMove.id)
  ).map((r) => ({
    id: r.move.id,
    number: r.move.number,
    amount: money(r.move.amount, currency),
    reason: r.move.reason,
    account: r.account,
    entryId: r.move.entryId,
  }))

export interface ToBank {
  readonly id: number
  readonly number: string
  readonly on: Day
  readonly customer: string
  readonly reference: string
  readonly amount: Money
}

/** Receipts of a method that stand and were not taken to the bank yet, the oldest first. */
export const listToBank = async (db: Db, method: Method, through: Day, currency: string): Promise<ToBank[]> =>
  (
    await db
      .select({
        id: receipt.id,
        number: receipt.number,
        on: receipt.onDay,
        customer: customer.name,
        reference: receipt.reference,
        amount: receipt.amount,
      })
      .from(receipt)
      .innerJoin(customer, eq(customer.id, receipt.customerId))
      .leftJoin(banked, eq(banked.receiptId, receipt.id))
      .leftJoin(receiptVoid, eq(receiptVoid.receiptId, receipt.id))
      .where(
        and(
          eq(receipt.method, method),
          sql`${banked.receiptId} is null and ${receiptVoid.receiptId} is null and ${receipt.onDay} <= ${through}`,
        ),
      )
      .orderBy(receipt.onDay, receipt.id)
      .limit(500)
  ).map((r) => ({ ...r, amount: money(r.amount, currency) }))

/** Locks receipts and answers those of them that may go to the bank. */
export const lockToBank = async (
  db: Db,
  ids: readonly number[],
  method: Method,
  currency: string,
): Promise<ToBank[]> => {
  if (ids.length === 0) return []
  await db.select({ id: receipt.id }).from(receipt).where(isOneOf(receipt.id, ids)).orderBy(receipt.id).for('update')
  return (await listToBank(db, method, day('2199-12-31'), currency)).filter((r) => ids.includes(r.id))
}

export const listSlips = async (db: Db, limit: number, currency: string) =>
  (await db.select().from(bankingSlip).orderBy(desc(bankingSlip.id)).limit(limit)).map((r) => ({
    id: r.id,
    number: r.number,
    on: r.onDay,
    cash: money(r.cash, currency),
    cheques: money(r.cheques, currency),
    total: money(r.cash + r.cheques, currency),
    entryId: r.entryId,
  }))

export const listSettlements = async (db: Db, limit: number, currency: string) =>
  (await db.select().from(cardSettlement).orderBy(desc(cardSettlement.id)).limit(limit)).map((r) => ({
    id: r.id,
    number: r.number,
    on: r.onDay,
    gross: money(r.gross, currency),
    fees: money(r.fees, currency),
    net: money(r.gross - r.fees, currency),
    entryId: r.entryId,
  }))
