import type { Day } from '@/core/day'
import type { Db } from '../connect'
import { reminder } from '../schema'
import { eq, desc } from 'drizzle-orm'

export interface ReminderRow {
  readonly stage: number
  readonly on: Day
  readonly postId: number
}

/** Reminders a customer got, the newest first. */
export const listReminders = async (db: Db, customerId: number): Promise<ReminderRow[]> =>
  (
    await db.select().from(reminder).where(eq(reminder.customerId, customerId)).orderBy(desc(reminder.id)).limit(50)
  ).map((r) => ({ stage: r.stage, on: r.onDay, postId: r.postId }))

export const insertReminder = async (db: Db, row: typeof reminder.$inferInsert): Promise<void> => {
  await db.insert(reminder).values(row)
}
