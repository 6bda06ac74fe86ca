import { sql } from 'drizzle-orm'
import { check, integer, pgTable, primaryKey } from 'drizzle-orm/pg-core'
import { minor } from './columns'
import { account } from './ledger'

/** What an account of income or expenses is meant to come to in a year, on its usual side. */
export const budget = pgTable(
  'budget',
  {
    year: integer().notNull(),
    accountId: integer()
      .notNull()
      .references(() => account.id),
    amount: minor().notNull(),
  },
  (t) => [primaryKey({ columns: [t.year, t.accountId] }), check('budget_not_below_zero', sql`${t.amount} >= 0`)],
)
