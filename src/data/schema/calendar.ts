import { pgTable, text } from 'drizzle-orm/pg-core'
import { identity, onDay } from './columns'

/** The way to the calendar of what is due and wanted, for the owner's own calendar program. Only the hash of its secret is kept. */
export const calendarLink = pgTable('calendar_link', {
  id: identity(),
  tokenHash: text().notNull().unique(),
  madeOn: onDay().notNull(),
})
