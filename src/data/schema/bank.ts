import { pgTable, text, integer, check, index } from 'drizzle-orm/pg-core'
import { identity, onDay, minor } from './columns'
import { entry } from './ledger'
import { sql } from 'drizzle-orm'
import { receipt } from './money'
import { TO_BANK_METHODS } from '@/core/ledger'

/** Cash and cheques taken to the bank together. */
export const bankingSlip = pgTable(
  'banking_slip',
  {
    id: identity(),
    number: text().notNull().unique(),
    onDay: onDay().notNull(),
    cash: minor().notNull(),
    cheques: minor().notNull(),
    /** Taken back: its money lies where it lay before. */
    voidedOn: onDay(),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
  },
  (t) => [check('banking_slip_positive', sql`${t.cash} >= 0 and ${t.cheques} >= 0 and ${t.cash} + ${t.cheques} > 0`)],
)

/** Card takings as they arrived at the bank, less fees. */
export const cardSettlement = pgTable(
  'card_settlement',
  {
    id: identity(),
    number: text().notNull().unique(),
    onDay: onDay().notNull(),
    gross: minor().notNull(),
    fees: minor().notNull(),
    voidedOn: onDay(),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
  },
  (t) => [check('card_settlement_positive', sql`${t.gross} > 0 and ${t.fees} >= 0 and ${t.fees} <= ${t.gross}`)],
)

/** A receipt goes to the bank once: its cheque on a slip, or its card takings in a settlement. */
export const banked = pgTable(
  'banked',
  {
    receiptId: integer()
      .primaryKey()
      .references(() => receipt.id),
    slipId: integer().references(() => bankingSlip.id),
    settlementId: integer().references(() => cardSettlement.id),
  },
  (t) => [
    index('banked_slip').on(t.slipId),
    index('banked_settlement').on(t.settlementId),
    check('banked_one_way', sql`(${t.slipId} is null) <> (${t.settlementId} is null)`),
  ],
)

/** Cheques and cards that nobody took to the bank yet, kept by triggers: found without looking through all that were. */
export const toBank = pgTable(
  'to_bank',
  {
    receiptId: integer()
      .primaryKey()
      .references(() => receipt.id),
    method: text({ enum: TO_BANK_METHODS }).notNull(),
    onDay: onDay().notNull(),
  },
  (t) => [index('to_bank_order').on(t.method, t.onDay, t.receiptId)],
)
