import type { Day } from '@/core/day'
import type { Db } from '../connect'
import { post, reminder } from '../schema'
import { and, desc, eq, ne } from 'drizzle-orm'

export interface ReminderRow {
  readonly stage: number
  readonly on: Day
  readonly postId: number
}

/** Reminders a customer got or is getting, the newest first: not those that were thrown away before they went. */
export const listReminders = (db: Db, customerId: number): Promise<ReminderRow[]> =>
  db
    .select({ stage: reminder.stage, on: reminder.onDay, postId: reminder.postId })
    .from(reminder)
    .innerJoin(post, eq(post.id, reminder.postId))
    .where(and(eq(reminder.customerId, customerId), ne(post.state, 'dropped')))
    .orderBy(desc(reminder.id))
    .limit(50)

export const insertReminder = async (db: Db, row: typeof reminder.$inferInsert): Promise<void> => {
  await db.insert(reminder).values(row)
}
