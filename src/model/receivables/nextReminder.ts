import { nextReminder, type NextReminder } from '@/core/receivables'
import type { Day } from '@/core/day'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { listOpenDues } from '@/data/queries/due'
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
