import { HANDOVER_WAYS } from '@/core/kinds'
import { sql } from 'drizzle-orm'
import { boolean, foreignKey, index, integer, pgTable, text } from 'drizzle-orm/pg-core'
import { fourPlaces, identity, minor, onDay } from './columns'
import { entry } from './ledger'
import { sale, saleLine } from './sale'

/** Goods that left (`out`) or came back (`back`). */
export const handover = pgTable(
  'handover',
  {
    id: identity(),
    number: text().notNull().unique(),
    saleId: integer()
      .notNull()
      .references(() => sale.id),
    direction: text({ enum: ['out', 'back'] }).notNull(),
    onDay: onDay().notNull(),
    by: text({ enum: HANDOVER_WAYS }).notNull(),
    /** On goods that came back without having been billed: the handover they left with, and why. */
    returnsId: integer(),
    reason: text().notNull().default(''),
    entryId: integer().references(() => entry.id),
  },
  (t) => [
    foreignKey({ columns: [t.returnsId], foreignColumns: [t.id] }),
    index('handover_sale').on(t.saleId),
    index('handover_returns').on(t.returnsId),
  ],
)

export const handoverLine = pgTable(
  'handover_line',
  {
    id: identity(),
    handoverId: integer()
      .notNull()
      .references(() => handover.id),
    saleLineId: integer()
      .notNull()
      .references(() => saleLine.id),
    quantity: fourPlaces().notNull(),
    /** What the goods cost: left stock, or came back to it. */
    cost: minor().notNull(),
    /** What had been billed ahead and became income. */
    earned: minor().notNull(),
    /** Came back to be handed over again. */
    replace: boolean().notNull().default(false),
  },
  (t) => [
    index('handover_line_handover').on(t.handoverId),
    index('handover_line_line').on(t.saleLineId),
    index('handover_line_earned')
      .on(t.handoverId)
      .where(sql`${t.earned} <> 0`),
  ],
)
