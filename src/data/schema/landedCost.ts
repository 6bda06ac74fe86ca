import { sql } from 'drizzle-orm'
import { check, index, integer, pgTable, text, uniqueIndex } from 'drizzle-orm/pg-core'
import { SPREAD_BY } from '@/core/kinds'
import { billLine } from './bill'
import { goodsReceivedLine } from './buying'
import { identity, minor, onDay } from './columns'
import { account, entry } from './ledger'

/** Freight, duty or insurance spread over goods that came: it leaves its account and joins what they are worth. */
export const landedCost = pgTable(
  'landed_cost',
  {
    id: identity(),
    number: text().notNull().unique(),
    onDay: onDay().notNull(),
    amount: minor().notNull(),
    spreadBy: text({ enum: SPREAD_BY }).notNull(),
    accountId: integer()
      .notNull()
      .references(() => account.id),
    /** The line of a bill it is, once only. */
    billLineId: integer().references(() => billLine.id),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
    voidedOn: onDay(),
    voidReason: text().notNull().default(''),
  },
  (t) => [
    uniqueIndex('bill_line_spread_once')
      .on(t.billLineId)
      .where(sql`${t.voidedOn} is null`),
    check('landed_cost_positive', sql`${t.amount} > 0`),
  ],
)

export const landedShare = pgTable(
  'landed_share',
  {
    id: identity(),
    costId: integer()
      .notNull()
      .references(() => landedCost.id),
    receivedLineId: integer()
      .notNull()
      .references(() => goodsReceivedLine.id),
    amount: minor().notNull(),
    toStock: minor().notNull(),
  },
  (t) => [index('landed_share_cost').on(t.costId), index('landed_share_line').on(t.receivedLineId)],
)
