import { sql } from 'drizzle-orm'
import { check, index, integer, pgTable, text, uniqueIndex } from 'drizzle-orm/pg-core'
import { BILL_FILLS } from '@/core/kinds'
import { goodsReceivedLine, purchaseOrderLine } from './buying'
import { fourPlaces, identity, minor, onDay } from './columns'
import { supplier } from './goods'
import { account, entry } from './ledger'
import { receipt } from './money'
import { taxCode } from './tax'

/** A supplier's bill: what is owed to them, in one sum, until it is paid. */
export const bill = pgTable(
  'bill',
  {
    id: identity(),
    number: text().notNull().unique(),
    supplierId: integer()
      .notNull()
      .references(() => supplier.id),
    theirNumber: text().notNull(),
    onDay: onDay().notNull(),
    /** Its own day where it was owed before these books began: its age runs from it, and nothing else. */
    paperOn: onDay(),
    dueOn: onDay().notNull(),
    /** Paid by then it costs so much less, where that was agreed. */
    discountOn: onDay(),
    discount: minor()
      .notNull()
      .default(sql`0`),
    net: minor().notNull(),
    tax: minor().notNull(),
    gross: minor().notNull(),
    /** The sum of its fills, kept by a trigger. */
    filled: minor()
      .notNull()
      .default(sql`0`),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
    voidedOn: onDay(),
    voidReason: text().notNull().default(''),
  },
  (t) => [
    uniqueIndex('bill_their_number_once')
      .on(t.supplierId, sql`lower(${t.theirNumber})`)
      .where(sql`${t.voidedOn} is null`),
    index('bill_order').on(t.onDay.desc().nullsLast(), t.id.desc().nullsFirst()),
    index('bill_open')
      .on(t.dueOn)
      .where(sql`${t.filled} < ${t.gross} and ${t.voidedOn} is null`),
    index('bill_voided')
      .on(t.voidedOn)
      .where(sql`${t.voidedOn} is not null`),
    check('bill_adds_up', sql`${t.gross} = ${t.net} + ${t.tax} and ${t.gross} >= 0`),
    check('bill_not_overfilled', sql`${t.filled} between 0 and ${t.gross}`),
  ],
)

export const billLine = pgTable(
  'bill_line',
  {
    id: identity(),
    billId: integer()
      .notNull()
      .references(() => bill.id),
    position: integer().notNull(),
    /** What it is for: goods that came, goods on order that did not come yet, or an account. */
    receivedLineId: integer().references(() => goodsReceivedLine.id),
    orderLineId: integer().references(() => purchaseOrderLine.id),
    accountId: integer()
      .notNull()
      .references(() => account.id),
    description: text().notNull(),
    quantity: fourPlaces().notNull(),
    unitCost: fourPlaces().notNull(),
    net: minor().notNull(),
    tax: minor().notNull(),
    taxCodeId: integer().references(() => taxCode.id),
    /** What of “goods received, not invoiced” it clears. */
    cleared: minor()
      .notNull()
      .default(sql`0`),
    /** More (or less) than the goods came in at: to stock as far as they are still here, else to cost of goods sold. */
    difference: minor()
      .notNull()
      .default(sql`0`),
    toStock: minor()
      .notNull()
      .default(sql`0`),
  },
  (t) => [
    index('bill_line_bill').on(t.billId),
    index('bill_line_received').on(t.receivedLineId),
    index('bill_line_order').on(t.orderLineId),
  ],
)

/** Money that goes to a supplier, from the bank, the drawer or another account. */
export const supplierPayment = pgTable(
  'supplier_payment',
  {
    id: identity(),
    number: text().notNull().unique(),
    supplierId: integer()
      .notNull()
      .references(() => supplier.id),
    onDay: onDay().notNull(),
    accountId: integer()
      .notNull()
      .references(() => account.id),
    amount: minor().notNull(),
    /** Written as a check with this number; a number is used once an account, void or not. */
    checkNumber: integer(),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
    voidedOn: onDay(),
    voidReason: text().notNull().default(''),
  },
  (t) => [
    index('supplier_payment_supplier').on(t.supplierId),
    uniqueIndex('check_number_once').on(t.accountId, t.checkNumber),
    check('check_number_positive', sql`${t.checkNumber} > 0`),
    check('supplier_payment_positive', sql`${t.amount} > 0`),
  ],
)

/** What of a bill is not owed any more from a day on; below zero, it is owed again. Never changed. */
export const billFill = pgTable(
  'bill_fill',
  {
    id: identity(),
    billId: integer()
      .notNull()
      .references(() => bill.id),
    onDay: onDay().notNull(),
    kind: text({ enum: BILL_FILLS }).notNull(),
    amount: minor().notNull(),
    paymentId: integer().references(() => supplierPayment.id),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
  },
  (t) => [
    index('bill_fill_bill').on(t.billId, t.onDay),
    index('bill_fill_day').on(t.onDay),
    index('bill_fill_payment').on(t.paymentId),
    index('bill_fill_discount')
      .on(t.onDay)
      .where(sql`${t.kind} = 'discount'`),
    check('bill_fill_not_zero', sql`${t.amount} <> 0`),
  ],
)

/** Paid to a supplier in advance (positive), and used for a bill or given back. Never below zero on any day. */
export const aheadMove = pgTable(
  'ahead_move',
  {
    id: identity(),
    supplierId: integer()
      .notNull()
      .references(() => supplier.id),
    onDay: onDay().notNull(),
    amount: minor().notNull(),
    paymentId: integer().references(() => supplierPayment.id),
    billId: integer().references(() => bill.id),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
  },
  (t) => [index('ahead_move_supplier').on(t.supplierId, t.onDay), check('ahead_move_not_zero', sql`${t.amount} <> 0`)],
)

/** What a customer owes us and we owe the same people, paid by one another: a receipt and a payment through an account that is empty again. */
export const setOff = pgTable(
  'set_off',
  {
    id: identity(),
    number: text().notNull().unique(),
    onDay: onDay().notNull(),
    amount: minor().notNull(),
    receiptId: integer()
      .notNull()
      .unique()
      .references(() => receipt.id),
    paymentId: integer()
      .notNull()
      .unique()
      .references(() => supplierPayment.id),
  },
  (t) => [check('set_off_positive', sql`${t.amount} > 0`)],
)

/** Money paid to a supplier in advance that they gave back. */
export const supplierRefund = pgTable(
  'supplier_refund',
  {
    id: identity(),
    number: text().notNull().unique(),
    supplierId: integer()
      .notNull()
      .references(() => supplier.id),
    onDay: onDay().notNull(),
    accountId: integer()
      .notNull()
      .references(() => account.id),
    amount: minor().notNull(),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
    voidedOn: onDay(),
    voidReason: text().notNull().default(''),
  },
  (t) => [index('supplier_refund_supplier').on(t.supplierId), check('supplier_refund_positive', sql`${t.amount} > 0`)],
)
