import { sql } from 'drizzle-orm'
import { boolean, check, index, integer, pgTable, text } from 'drizzle-orm/pg-core'
import { fourPlaces, identity, minor, onDay, ZERO_BY_DEFAULT } from './columns'
import { goods, place, supplier } from './goods'
import { entry } from './ledger'
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
    index('purchase_order_order').on(t.number.desc().nullsLast(), t.id.desc().nullsFirst()),
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
    /** What it comes to without tax, kept so that lists add up whole figures. */
    net: minor().notNull(),
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
  (t) => [
    index('goods_received_list').on(t.number.desc().nullsLast(), t.id.desc().nullsFirst()),
    index('goods_received_supplier').on(t.supplierId),
    index('goods_received_order').on(t.orderId),
  ],
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
