import { pgTable, text, integer, index, check } from 'drizzle-orm/pg-core'
import { identity, onDay, minor } from './columns'
import { customer } from './people'
import { sale } from './sale'
import { entry } from './ledger'
import { sql } from 'drizzle-orm'

/** A debt given up. */
export const writeOff = pgTable(
  'write_off',
  {
    id: identity(),
    number: text().notNull().unique(),
    customerId: integer()
      .notNull()
      .references(() => customer.id),
    saleId: integer()
      .notNull()
      .references(() => sale.id),
    onDay: onDay().notNull(),
    amount: minor().notNull(),
    reason: text().notNull(),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
  },
  (t) => [index('write_off_sale').on(t.saleId), check('write_off_positive', sql`${t.amount} > 0`)],
)

/** A debt that was written off and is owed again after all. */
export const writeOffRecovery = pgTable('write_off_recovery', {
  writeOffId: integer()
    .primaryKey()
    .references(() => writeOff.id),
  onDay: onDay().notNull(),
  amount: minor().notNull(),
  reason: text().notNull(),
  entryId: integer()
    .notNull()
    .references(() => entry.id),
})
