import { sql } from 'drizzle-orm'
import { boolean, integer, pgTable, text, timestamp } from 'drizzle-orm/pg-core'
import { identity, minor, onDay } from './columns'

/** Each backup that was tried, by itself or by hand: whole and read back, or why not. */
export const backupRun = pgTable('backup_run', {
  id: identity(),
  onDay: onDay().notNull(),
  at: timestamp({ withTimezone: true }).notNull().defaultNow(),
  ok: boolean().notNull(),
  name: text().notNull(),
  bytes: minor()
    .notNull()
    .default(sql`0`),
  rows: integer().notNull().default(0),
  problem: text().notNull().default(''),
})
