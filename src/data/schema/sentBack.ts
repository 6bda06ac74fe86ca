import { sql } from 'drizzle-orm'
import { boolean, check, index, integer, pgTable, text, uniqueIndex } from 'drizzle-orm/pg-core'
import { bill, billLine } from './bill'
import { goodsReceived, goodsReceivedLine } from './buying'
import { fourPlaces, identity, minor, onDay } from './columns'
import { goods } from './goods'
import { entry } from './ledger'
import { saleLine } from './sale'

/** Goods that went back to the supplier they came from; or a receipt that is undone, as if they had never come. */
export const goodsReturned = pgTable(
  'goods_returned',
  {
    id: identity(),
    number: text().notNull().unique(),
    receivedId: integer()
      .notNull()
      .references(() => goodsReceived.id),
    onDay: onDay().notNull(),
    reason: text().notNull(),
    undoes: boolean().notNull().default(false),
    entryId: integer().references(() => entry.id),
  },
  (t) => [index('goods_returned_received').on(t.receivedId)],
)

export const goodsReturnedLine = pgTable(
  'goods_returned_line',
  {
    id: identity(),
    returnedId: integer()
      .notNull()
      .references(() => goodsReturned.id),
    receivedLineId: integer()
      .notNull()
      .references(() => goodsReceivedLine.id),
    quantity: fourPlaces().notNull(),
    /** What they came in at, and what they cost as they left. */
    value: minor().notNull(),
    cost: minor().notNull(),
  },
  (t) => [
    index('goods_returned_line_paper').on(t.returnedId),
    index('goods_returned_line_received').on(t.receivedLineId),
    check('returned_line_positive', sql`${t.quantity} > 0 and ${t.value} >= 0 and ${t.cost} >= 0`),
  ],
)

/** A supplier's credit on one of their bills: for goods that went back, or an amount they let off. */
export const supplierCredit = pgTable(
  'supplier_credit',
  {
    id: identity(),
    number: text().notNull().unique(),
    billId: integer()
      .notNull()
      .references(() => bill.id),
    theirNumber: text().notNull().default(''),
    onDay: onDay().notNull(),
    reason: text().notNull(),
    net: minor().notNull(),
    tax: minor().notNull(),
    gross: minor().notNull(),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
    voidedOn: onDay(),
    voidReason: text().notNull().default(''),
  },
  (t) => [
    index('supplier_credit_bill').on(t.billId),
    uniqueIndex('credit_their_number_once')
      .on(t.billId, sql`lower(${t.theirNumber})`)
      .where(sql`${t.theirNumber} <> '' and ${t.voidedOn} is null`),
    check('supplier_credit_adds_up', sql`${t.gross} = ${t.net} + ${t.tax} and ${t.gross} > 0`),
  ],
)

export const supplierCreditLine = pgTable(
  'supplier_credit_line',
  {
    id: identity(),
    creditId: integer()
      .notNull()
      .references(() => supplierCredit.id),
    billLineId: integer()
      .notNull()
      .references(() => billLine.id),
    /** The line that came, where it is of goods that went back. */
    receivedLineId: integer().references(() => goodsReceivedLine.id),
    /** How many went back; none where it is an amount let off. */
    quantity: fourPlaces().notNull(),
    net: minor().notNull(),
    tax: minor().notNull(),
    /** What of goods that went back it settles. */
    cleared: minor().notNull(),
    /** What it takes off the worth of goods that are still here. */
    fromStock: minor().notNull(),
  },
  (t) => [
    index('supplier_credit_line_credit').on(t.creditId),
    index('supplier_credit_line_bill').on(t.billLineId),
    check(
      'credit_line_not_below_zero',
      sql`${t.quantity} >= 0 and ${t.net} >= 0 and ${t.tax} >= 0 and ${t.cleared} >= 0`,
    ),
  ],
)

/**
 * Whom a cost of goods sold belongs to that was posted by no sale: a difference in price, freight that came later. Of an entry, so
 * much is of these goods, and of the line of a sale that took them; null where it is of none.
 */
export const costShare = pgTable(
  'cost_share',
  {
    id: identity(),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
    goodsId: integer().references(() => goods.id),
    saleLineId: integer().references(() => saleLine.id),
    amount: minor().notNull(),
  },
  (t) => [
    index('cost_share_entry').on(t.entryId),
    index('cost_share_line').on(t.saleLineId),
    check('cost_share_not_zero', sql`${t.amount} <> 0`),
  ],
)
