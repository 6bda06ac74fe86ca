import { nextReminder, type NextReminder } from '@/core/receivables'
import type { Day } from '@/core/day'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { listOpenDues } from '@/data/queries/due'
import type { Asked } from '../where'
import { listReminders } from '@/data/queries/reminder'

/** Which reminder a customer would get on a day, or from when; null where nothing of theirs is late. */
export const readNextReminder = async (
  db: Db,
  customerId: number,
  business: Business,
  today: Day,
): Promise<NextReminder | null> => {
  const late = (await listOpenDues(db, customerId, business.currency)).filter((d) => d.dueOn < today)
  return nextReminder(late[0]?.dueOn ?? null, await listReminders(db, customerId), business.reminderDays, today)
}

/** The stage of the reminder a customer is getting: the one written today, else the one that is next. */
export const readReminderStage = async ({ db, business, today }: Asked, customerId: number): Promise<number | null> => {
  const written = (await listReminders(db, customerId)).find((r) => r.on === today)
  return written?.stage ?? (await readNextReminder(db, customerId, business, today))?.stage ?? null
}
