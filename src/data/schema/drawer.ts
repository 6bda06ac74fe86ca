import { pgTable, text, integer, index, jsonb, timestamp } from 'drizzle-orm/pg-core'
import { identity, onDay, minor } from './columns'
import { account, entry } from './ledger'

/** Cash put in (positive) or taken out (negative) of the drawer, not by a sale. */
export const drawerMove = pgTable(
  'drawer_move',
  {
    id: identity(),
    number: text().notNull().unique(),
    onDay: onDay().notNull(),
    amount: minor().notNull(),
    reason: text().notNull(),
    accountId: integer()
      .notNull()
      .references(() => account.id),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
  },
  (t) => [index('drawer_move_day').on(t.onDay)],
)

/** The drawer as it was counted at the close of a day. */
export const drawerCount = pgTable(
  'drawer_count',
  {
    id: identity(),
    number: text().notNull().unique(),
    onDay: onDay().notNull(),
    expected: minor().notNull(),
    counted: minor().notNull(),
    /** How many of each coin and note, by its worth in minor units. */
    pieces: jsonb().notNull(),
    /** None where the count agrees. */
    entryId: integer().references(() => entry.id),
    countedAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [index('drawer_count_day').on(t.onDay)],
)
