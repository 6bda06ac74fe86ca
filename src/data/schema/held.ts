import { pgTable, text, integer } from 'drizzle-orm/pg-core'
import { identity, onDay, minor } from './columns'
import { customer } from './people'
import { sale } from './sale'
import { entry } from './ledger'

/** Held money that moved from one place to another without leaving the shop, or was kept as a fee. */
export const heldTransfer = pgTable('held_transfer', {
  id: identity(),
  number: text().notNull().unique(),
  kind: text({ enum: ['moved', 'kept'] }).notNull(),
  customerId: integer()
    .notNull()
    .references(() => customer.id),
  fromSaleId: integer().references(() => sale.id),
  toSaleId: integer().references(() => sale.id),
  onDay: onDay().notNull(),
  amount: minor().notNull(),
  reason: text().notNull().default(''),
  entryId: integer()
    .notNull()
    .references(() => entry.id),
})

/** A move of held money, or a fee kept of it, that was a mistake: it lies where it lay before. */
export const heldTransferReversal = pgTable('held_transfer_reversal', {
  transferId: integer()
    .primaryKey()
    .references(() => heldTransfer.id),
  onDay: onDay().notNull(),
  reason: text().notNull(),
  entryId: integer()
    .notNull()
    .references(() => entry.id),
})
