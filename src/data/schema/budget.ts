import { integer, pgTable, primaryKey } from 'drizzle-orm/pg-core'
import { minor } from './columns'
import { account } from './ledger'

/** What an account of income or expenses is meant to come to in a year, on its usual side; below zero where it takes off, as returns do. */
export const budget = pgTable(
  'budget',
  {
    year: integer().notNull(),
    accountId: integer()
      .notNull()
      .references(() => account.id),
    amount: minor().notNull(),
  },
  (t) => [primaryKey({ columns: [t.year, t.accountId] })],
)
