import { insertWithId } from '../builtOnce'
import { desc, eq, sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { money, type Money } from '@/core/money'
import type { Db } from '@/data/connect'
import { account, drawerCount, drawerMove } from '@/data/schema'

export const insertDrawerMove = insertWithId(drawerMove)
export const insertDrawerCount = insertWithId(drawerCount)

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
