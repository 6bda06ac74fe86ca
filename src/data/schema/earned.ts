import { sql } from 'drizzle-orm'
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

/**
 * What each sale brought and cost altogether, in its first month through its last one, and what was of none: the sums of its months, kept
 * by their triggers.
 */
export const earnedSale = pgTable(
  'earned_sale',
  {
    id: identity(),
    saleId: integer(),
    income: minor().notNull(),
    cost: minor().notNull(),
    firstMonth: onDay().notNull(),
    lastMonth: onDay().notNull(),
  },
  (t) => [
    unique('earned_sale_once').on(t.saleId).nullsNotDistinct(),
    index('earned_sale_months').on(t.firstMonth, t.lastMonth),
    index('earned_sale_crossing')
      .on(t.lastMonth, t.firstMonth)
      .where(sql`${t.firstMonth} < ${t.lastMonth}`),
  ],
)
