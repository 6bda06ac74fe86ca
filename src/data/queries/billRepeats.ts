import { and, asc, eq, isNotNull, lte } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { insertOne } from '../builtOnce'
import type { Db } from '../connect'
import { billRepeat, billRepeatRun } from '../schema'

/** Bills that come again: one, those of a bill, or those due on a day; the next to come first; taken for this transaction where they are changed. */
export const listBillRepeats = (
  db: Db,
  of: { readonly id?: number; readonly billId?: number; readonly dueOn?: Day; readonly lock?: true },
) => {
  const found = db
    .select()
    .from(billRepeat)
    .where(
      and(
        of.id === undefined ? undefined : eq(billRepeat.id, of.id),
        of.billId === undefined ? undefined : eq(billRepeat.billId, of.billId),
        of.dueOn === undefined ? undefined : and(isNotNull(billRepeat.nextOn), lte(billRepeat.nextOn, of.dueOn)),
      ),
    )
    .orderBy(asc(billRepeat.nextOn), asc(billRepeat.id))
  return of.lock ? found.for('update') : found
}
export type BillRepeatRow = Awaited<ReturnType<typeof listBillRepeats>>[number]

export const insertBillRepeat = insertOne(billRepeat)

export const updateBillRepeat = async (
  db: Db,
  id: number,
  change: Partial<typeof billRepeat.$inferInsert>,
): Promise<void> => {
  await db.update(billRepeat).set(change).where(eq(billRepeat.id, id))
}

export const insertBillRepeatRun = async (db: Db, row: typeof billRepeatRun.$inferInsert): Promise<void> => {
  await db.insert(billRepeatRun).values(row)
}
