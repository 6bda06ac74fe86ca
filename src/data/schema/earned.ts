import { index, integer, pgTable, unique } from 'drizzle-orm/pg-core'
import { identity, minor, onDay } from './columns'

/**
 * What each sale brought and cost in a month, and what was of no sale by its customer: sums of income and cost of goods sold, kept
 * by triggers of the ledger, with the costs that were found to belong to a sale later.
 */
export const earnedMonth = pgTable(
  'earned_month',
  {
    id: identity(),
    month: onDay().notNull(),
    saleId: integer(),
    customerId: integer(),
    income: minor().notNull(),
    cost: minor().notNull(),
  },
  (t) => [
    unique('earned_month_once').on(t.month, t.saleId, t.customerId).nullsNotDistinct(),
    index('earned_month_sale').on(t.saleId),
  ],
)

/** What each sale brought and cost altogether, and what was of none: the sums of its months, kept by their triggers. */
export const earnedSale = pgTable(
  'earned_sale',
  {
    id: identity(),
    saleId: integer(),
    income: minor().notNull(),
    cost: minor().notNull(),
  },
  (t) => [unique('earned_sale_once').on(t.saleId).nullsNotDistinct()],
)
