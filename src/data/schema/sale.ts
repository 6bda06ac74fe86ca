import { sql } from 'drizzle-orm'
import { boolean, check, index, integer, jsonb, numeric, pgTable, text, unique } from 'drizzle-orm/pg-core'
import { fourPlaces, identity, minor, onDay } from './columns'
import { goods } from './goods'
import { account, entry } from './ledger'
import { customer } from './people'
import { taxCode } from './tax'

/** The whole story with one customer about one thing. */
export const sale = pgTable(
  'sale',
  {
    id: identity(),
    number: integer().notNull().unique(),
    customerId: integer()
      .notNull()
      .references(() => customer.id),
    title: text().notNull().default(''),
    startedOn: onDay().notNull(),
    channel: text({ enum: ['counter', 'phone', 'shopfront'] })
      .notNull()
      .default('phone'),
    kind: text().notNull().default('sales'),
    note: text().notNull().default(''),
    /** How it will be paid; parsed by Zod on the way in and out. */
    arrangement: jsonb().notNull(),
    pricesIncludeTax: boolean().notNull(),
    sentOn: onDay(),
    validUntil: onDay(),
    agreedOn: onDay(),
    purchaseOrder: text().notNull().default(''),
    wantedBy: onDay(),
    closedAs: text({ enum: ['declined', 'cancelled'] }),
    closedOn: onDay(),
    closedReason: text().notNull().default(''),
    /** Caches, refreshed by every command on the sale and tested equal to what the papers say. */
    stage: text({ enum: ['draft', 'offered', 'agreed', 'owing', 'settled', 'declined', 'cancelled'] })
      .notNull()
      .default('draft'),
    total: minor()
      .notNull()
      .default(sql`0`),
    billed: minor()
      .notNull()
      .default(sql`0`),
    lateFrom: onDay(),
  },
  (t) => [
    index('sale_customer').on(t.customerId, t.id),
    index('sale_stage').on(t.stage, t.id),
    index('sale_working')
      .on(t.id)
      .where(sql`${t.stage} in ('draft', 'offered', 'agreed', 'owing')`),
  ],
)

export const saleLine = pgTable(
  'sale_line',
  {
    id: identity(),
    saleId: integer()
      .notNull()
      .references(() => sale.id),
    position: integer().notNull(),
    goodsId: integer().references(() => goods.id),
    kind: text({ enum: ['stock', 'work', 'charge', 'kit'] }).notNull(),
    description: text().notNull(),
    note: text().notNull().default(''),
    quantity: fourPlaces().notNull(),
    unitPrice: fourPlaces().notNull(),
    discountPercent: numeric({ precision: 7, scale: 4 }).notNull().default('0'),
    taxCodeId: integer()
      .notNull()
      .references(() => taxCode.id),
    incomeAccountId: integer()
      .notNull()
      .references(() => account.id),
    /** Sums over the sale's papers, refreshed with them. The checks keep two hands from passing what was agreed. */
    agreed: fourPlaces().notNull().default('0'),
    handedOver: fourPlaces().notNull().default('0'),
    returned: fourPlaces().notNull().default('0'),
    toReplace: fourPlaces().notNull().default('0'),
    billed: fourPlaces().notNull().default('0'),
    credited: fourPlaces().notNull().default('0'),
    toRebill: fourPlaces().notNull().default('0'),
  },
  (t) => [
    index('sale_line_sale').on(t.saleId, t.position),
    index('sale_line_waiting')
      .on(t.goodsId)
      .where(sql`${t.agreed} > ${t.handedOver} - ${t.toReplace}`),
    check('line_quantity_positive', sql`${t.quantity} >= 0 and ${t.unitPrice} >= 0`),
    check(
      'line_not_overfilled',
      sql`${t.handedOver} - ${t.toReplace} <= ${t.agreed} and ${t.billed} - ${t.toRebill} <= ${t.agreed}`,
    ),
    check(
      'line_not_given_back_twice',
      sql`${t.returned} <= ${t.handedOver} and ${t.credited} <= ${t.billed}`,
    ),
  ],
)

/** An estimate as it was sent, or an agreement as it was made: kept, never changed. */
export const saleVersion = pgTable(
  'sale_version',
  {
    id: identity(),
    saleId: integer()
      .notNull()
      .references(() => sale.id),
    n: integer().notNull(),
    kind: text({ enum: ['offered', 'agreed', 'changed'] }).notNull(),
    onDay: onDay().notNull(),
    validUntil: onDay(),
    lines: jsonb().notNull(),
    gross: minor().notNull(),
  },
  (t) => [unique('sale_version_n').on(t.saleId, t.n)],
)

export const depositRequest = pgTable(
  'deposit_request',
  {
    id: identity(),
    number: text().notNull().unique(),
    saleId: integer()
      .notNull()
      .references(() => sale.id),
    onDay: onDay().notNull(),
    percent: numeric({ precision: 7, scale: 4 }),
    amount: minor().notNull(),
  },
  (t) => [index('deposit_request_sale').on(t.saleId), check('deposit_positive', sql`${t.amount} > 0`)],
)

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
    by: text({ enum: ['counter', 'parcel', 'delivery'] }).notNull(),
    entryId: integer().references(() => entry.id),
  },
  (t) => [index('handover_sale').on(t.saleId)],
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
  (t) => [index('handover_line_handover').on(t.handoverId), index('handover_line_line').on(t.saleLineId)],
)
