import { customType, index, integer, pgSchema, primaryKey, text } from 'drizzle-orm/pg-core'
import { onDay } from './columns'

/** What is only kept to look faster, and tells the transactions of this very database apart: in no backup, and made anew. */
export const kept = pgSchema('kept')

/** Which transactions had ended at a moment, as the database tells them apart. */
const snapshot = customType<{ data: string }>({ dataType: () => 'pg_snapshot' })
/** A transaction that wrote. */
const writer = customType<{ data: string }>({ dataType: () => 'xid8' })

/**
 * What changed something that stories of sales are told from, written by triggers: a sale (`s`), goods that sales wait for (`g`), or
 * what all of them depend on, such as the tax codes (`h`); and what a customer is called (`c`), which is read beside a kept look and
 * remembered with it. Rows are only ever added, so that two writers never wait for each other.
 */
export const change = kept.table(
  'change',
  { what: text({ enum: ['s', 'g', 'h', 'c'] }).notNull(), id: integer().notNull(), by: writer().notNull() },
  (t) => [primaryKey({ columns: [t.what, t.id, t.by] }), index('change_by').on(t.by)],
)

/**
 * How an unfinished sale looked on a day: kept by whoever looked last, and true until a writer that this look did not see has changed
 * the sale, goods it waits for, or the house.
 */
export const glance = kept.table('glance', {
  /** Not a foreign key: who looks would wait for who has locked the sale. */
  saleId: integer().primaryKey(),
  onDay: onDay().notNull(),
  /** The build of the program that told it: another one may tell it otherwise. */
  build: text().notNull(),
  seen: snapshot().notNull(),
  goods: integer().array().notNull(),
  /** In JSON; see model/sale/glance. */
  told: text().notNull(),
})
