import { and, eq } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { builtForIds } from '../builtOnce'
import type { Db } from '../connect'
import { nextMark } from '../schema'
import { isOneOf } from './search'

export interface NextMarkRow {
  readonly saleId: number
  readonly action: string
  readonly since: Day
  readonly until: Day | null
  readonly reason: string
}

export const listNextMarks: (db: Db, saleIds: readonly number[]) => Promise<NextMarkRow[]> = builtForIds(
  (db, saleIds) =>
    db
      .select({
        saleId: nextMark.saleId,
        action: nextMark.action,
        since: nextMark.since,
        until: nextMark.until,
        reason: nextMark.reason,
      })
      .from(nextMark)
      .where(isOneOf(nextMark.saleId, saleIds)),
)

/** A new mark of a step replaces the one before it. */
export const keepNextMark = async (db: Db, row: typeof nextMark.$inferInsert): Promise<void> => {
  await db
    .insert(nextMark)
    .values(row)
    .onConflictDoUpdate({
      target: [nextMark.saleId, nextMark.action],
      set: { since: row.since, until: row.until ?? null, reason: row.reason ?? '', markedOn: row.markedOn },
    })
}

export const dropNextMark = async (db: Db, saleId: number, action: string): Promise<void> => {
  await db.delete(nextMark).where(and(eq(nextMark.saleId, saleId), eq(nextMark.action, action)))
}
