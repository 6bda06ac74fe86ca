import { boolean, index, integer, pgTable, unique } from 'drizzle-orm/pg-core'
import { identity, onDay, rhythm } from './columns'
import { entry } from './ledger'

/** An entry of the owner’s own that comes again, or that stands the other way round from a day on. */
export const entryRepeat = pgTable(
  'entry_repeat',
  {
    id: identity(),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
    /** It comes the other way round. */
    turned: boolean().notNull().default(false),
    ...rhythm(),
  },
  (t) => [index('entry_repeat_next').on(t.nextOn), index('entry_repeat_entry').on(t.entryId)],
)

/** What a repeat posted on a day: never twice. */
export const entryRepeatRun = pgTable(
  'entry_repeat_run',
  {
    id: identity(),
    repeatId: integer()
      .notNull()
      .references(() => entryRepeat.id),
    onDay: onDay().notNull(),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
  },
  (t) => [unique('entry_repeat_once').on(t.repeatId, t.onDay)],
)
