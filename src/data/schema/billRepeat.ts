import { index, integer, pgTable, unique } from 'drizzle-orm/pg-core'
import { bill } from './bill'
import { identity, onDay, rhythm } from './columns'

/** A bill that comes again, like rent: its lines by account are entered anew on each of its days. */
export const billRepeat = pgTable(
  'bill_repeat',
  {
    id: identity(),
    billId: integer()
      .notNull()
      .references(() => bill.id),
    ...rhythm(),
  },
  (t) => [index('bill_repeat_next').on(t.nextOn), index('bill_repeat_bill').on(t.billId)],
)

/** What a repeat entered on a day: never twice. */
export const billRepeatRun = pgTable(
  'bill_repeat_run',
  {
    id: identity(),
    repeatId: integer()
      .notNull()
      .references(() => billRepeat.id),
    onDay: onDay().notNull(),
    billId: integer()
      .notNull()
      .references(() => bill.id),
  },
  (t) => [unique('bill_repeat_once').on(t.repeatId, t.onDay)],
)
