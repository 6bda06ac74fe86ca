import { sql } from 'drizzle-orm'
import { integer, pgTable, uniqueIndex } from 'drizzle-orm/pg-core'
import { identity, onDay } from './columns'
import { entry } from './ledger'

/** A year carried to retained earnings by one entry, and taken back by another. */
export const yearEnd = pgTable(
  'year_end',
  {
    id: identity(),
    year: integer().notNull(),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
    /** Through which day the books were closed before it. */
    closedBefore: onDay(),
    undoneEntryId: integer().references(() => entry.id),
  },
  (t) => [
    uniqueIndex('year_end_once')
      .on(t.year)
      .where(sql`${t.undoneEntryId} is null`),
  ],
)
