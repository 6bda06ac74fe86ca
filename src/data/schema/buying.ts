import { sql } from 'drizzle-orm'
import { boolean, check, index, integer, pgTable, text, uniqueIndex } from 'drizzle-orm/pg-core'
import { BILL_FILLS } from '@/core/kinds'
import { fourPlaces, identity, minor, onDay, ZERO_BY_DEFAULT } from './columns'
import { goods, place, supplier } from './goods'
import { account, entry } from './ledger'
import { receipt } from './money'
import { saleLine } from './sale'
import { taxCode } from './tax'

/** What is asked of a supplier. It posts nothing; sent, it is on order wherever stock is read. */
export const purchaseOrder = pgTable(
  'purchase_order',
  {
    id: identity(),
    number: text().notNull().unique(),
    supplierId: integer()
      .notNull()
      .references(() => supplier.id),
    onDay: onDay().notNull(),
    wantedBy: onDay(),
    /** Goes straight to the customer of its sale. */
    direct: boolean().notNull().default(false),
    note: text().notNull().default(''),
    sentOn: onDay(),
    /** The day they said it comes. */
    confirmedFor: onDay(),
    closedOn: onDay(),
    closedReason: text().notNull().default(''),
  },
  (t) => [
    index('purchase_order_supplier').on(t.supplierId),
    index('purchase_order_open')
      .on(t.sentOn)
      .where(sql`${t.closedOn} is null`),
  ],
)

export const purchaseOrderLine = pgTable(
  'purchase_order_line',
  {
    id: identity(),
    orderId: integer()
      .notNull()
      .references(() => purchaseOrder.id),
    position: integer().notNull(),
    /** Null where it is words alone: work, a service. */
    goodsId: integer().references(() => goods.id),
    description: text().notNull(),
    /** Zero: struck off, and kept because papers that do not count any more name it. */
    quantity: fourPlaces().notNull(),
    unitCost: fourPlaces().notNull(),
    taxCodeId: integer().references(() => taxCode.id),
    /** The line of a sale it is bought for. */
    saleLineId: integer().references(() => saleLine.id),
    /** How many came, how many of them went back, and how many were invoiced; of these, so many before they came, for so much. */
    received: fourPlaces().notNull().default(ZERO_BY_DEFAULT),
    returned: fourPlaces().notNull().default(ZERO_BY_DEFAULT),
    billed: fourPlaces().notNull().default(ZERO_BY_DEFAULT),
    ahead: fourPlaces().notNull().default(ZERO_BY_DEFAULT),
    aheadValue: minor()
      .notNull()
      .default(sql`0`),
  },
  (t) => [
    index('purchase_order_line_order').on(t.orderId),
    index('purchase_order_line_goods').on(t.goodsId),
    index('purchase_order_line_sale').on(t.saleLineId),
    check('order_line_positive', sql`${t.quantity} >= 0 and ${t.unitCost} >= 0`),
    check(
      'order_line_tallies',
      sql`${t.received} >= 0 and ${t.returned} between 0 and ${t.received} and ${t.billed} >= 0 and ${t.ahead} between 0 and ${t.billed}`,
    ),
    check('order_line_ahead_worth', sql`${t.aheadValue} >= 0 and (${t.ahead} <> 0 or ${t.aheadValue} = 0)`),
  ],
)

/** What came from a supplier: it lies in stock, and is owed on “goods received, not invoiced” until their invoice is entered. */
export const goodsReceived = pgTable(
  'goods_received',
  {
    id: identity(),
    number: text().notNull().unique(),
    supplierId: integer()
      .notNull()
      .references(() => supplier.id),
    orderId: integer().references(() => purchaseOrder.id),
    onDay: onDay().notNull(),
    placeId: integer()
      .notNull()
      .references(() => place.id),
    entryId: integer().references(() => entry.id),
  },
  (t) => [index('goods_received_supplier').on(t.supplierId), index('goods_received_order').on(t.orderId)],
)

export const goodsReceivedLine = pgTable(
  'goods_received_line',
  {
    id: identity(),
    receivedId: integer()
      .notNull()
      .references(() => goodsReceived.id),
    orderLineId: integer().references(() => purchaseOrderLine.id),
    goodsId: integer()
      .notNull()
      .references(() => goods.id),
    quantity: fourPlaces().notNull(),
    unitCost: fourPlaces().notNull(),
    value: minor().notNull(),
    /** How many of it were invoiced, and how much of its value with them. */
    billed: fourPlaces().notNull().default(ZERO_BY_DEFAULT),
    billedValue: minor()
      .notNull()
      .default(sql`0`),
    /** How many went back to the supplier, and how many of these are credited; what they came in at. */
    returned: fourPlaces().notNull().default(ZERO_BY_DEFAULT),
    returnedValue: minor()
      .notNull()
      .default(sql`0`),
    credited: fourPlaces().notNull().default(ZERO_BY_DEFAULT),
    creditedValue: minor()
      .notNull()
      .default(sql`0`),
  },
  (t) => [
    index('goods_received_line_paper').on(t.receivedId),
    index('goods_received_line_order').on(t.orderLineId),
    check('received_line_positive', sql`${t.quantity} > 0 and ${t.value} >= 0`),
    check('received_line_billed', sql`${t.billed} between 0 and ${t.quantity}`),
    check('received_line_billed_worth', sql`${t.billedValue} between 0 and ${t.value}`),
    check(
      'received_line_returned',
      sql`${t.returned} between 0 and ${t.quantity} and ${t.credited} between 0 and ${t.returned}`,
    ),
    check(
      'received_line_returned_worth',
      sql`${t.returnedValue} between 0 and ${t.value} and ${t.creditedValue} between 0 and ${t.returnedValue}`,
    ),
  ],
)

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
    index('bill_open')
      .on(t.dueOn)
      .where(sql`${t.filled} < ${t.gross} and ${t.voidedOn} is null`),
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
