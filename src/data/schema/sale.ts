import {
  TAX_ROUNDED_PER,
  ASIDE_TURNS,
  LINE_KINDS,
  LINE_CHOICES,
  CHANNELS,
  VERSION_KINDS,
  REPEAT_MAKES,
} from '@/core/kinds'
import { sql } from 'drizzle-orm'
import { boolean, check, index, integer, jsonb, pgTable, primaryKey, text, unique } from 'drizzle-orm/pg-core'
import { fourPlaces, identity, minor, onDay, percentage, rhythm, ZERO_BY_DEFAULT } from './columns'
import { goods } from './goods'
import { account } from './ledger'
import { customer } from './people'
import { taxCode } from './tax'

const SALE_STAGES = ['draft', 'offered', 'agreed', 'owing', 'settled', 'declined', 'cancelled'] as const

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
    channel: text({ enum: CHANNELS }).notNull().default('phone'),
    kind: text().notNull().default('sales'),
    note: text().notNull().default(''),
    noteAbove: text().notNull().default(''),
    /** Off the whole, as a percentage or an amount; shared over the lines. */
    discountPercent: percentage().notNull().default(ZERO_BY_DEFAULT),
    discountAmount: minor()
      .notNull()
      .default(sql`0`),
    /** On paper, groups stand as one sum each. */
    rolledUp: boolean().notNull().default(false),
    /** As they were when the sale was written; papers keep what they say. */
    billTo: text().notNull().default(''),
    deliverTo: text().notNull().default(''),
    deliverNote: text().notNull().default(''),
    yesBy: text().notNull().default(''),
    yesHow: text().notNull().default(''),
    copiedFromId: integer(),
    /** How it will be paid; parsed by Zod on the way in and out. */
    arrangement: jsonb().notNull(),
    pricesIncludeTax: boolean().notNull(),
    taxRoundedPer: text({ enum: TAX_ROUNDED_PER }).notNull().default('document'),
    /** What bills at other tax rates than the sale's make it more (or less) with tax. Kept; see services/billing/rateShift. */
    rateShift: minor()
      .notNull()
      .default(sql`0`),
    sentOn: onDay(),
    validUntil: onDay(),
    /** An estimate that is out and was changed since: nobody answers it until it is sent anew. A cache, as those below. */
    reworked: boolean().notNull().default(false),
    agreedOn: onDay(),
    purchaseOrder: text().notNull().default(''),
    wantedBy: onDay(),
    closedAs: text({ enum: ['declined', 'cancelled'] }),
    closedOn: onDay(),
    closedReason: text().notNull().default(''),
    /** Caches, refreshed by every command on the sale and tested equal to what the papers say. */
    stage: text({ enum: SALE_STAGES }).notNull().default('draft'),
    total: minor()
      .notNull()
      .default(sql`0`),
    billed: minor()
      .notNull()
      .default(sql`0`),
  },
  (t) => [
    index('sale_customer').on(t.customerId, t.id),
    // What any word of is found by; see queries/search.
    index('sale_title_words').using('gin', sql`plain_text(${t.title}) gin_trgm_ops`),
    index('sale_order_words').using('gin', sql`plain_text(${t.purchaseOrder}) gin_trgm_ops`),
    index('sale_number_words').using('gin', sql`plain_text(${t.number}::text) gin_trgm_ops`),
    index('sale_order').on(t.number.desc().nullsLast(), t.id.desc().nullsFirst()),
    index('sale_stage').on(t.stage, t.id),
    index('sale_working')
      .on(t.id)
      .where(sql`${t.stage} in ('draft', 'offered', 'agreed', 'owing')`),
  ],
)

/**
 * How many sales came to a stage, or left it (below zero), written by triggers and added up now and then: all of a stage together are
 * how many stand there. Rows are only added, so that two writers never wait for each other.
 */
export const stageCount = pgTable('stage_count', {
  id: identity(),
  stage: text({ enum: SALE_STAGES }).notNull(),
  count: integer().notNull(),
})

export const saleLine = pgTable(
  'sale_line',
  {
    id: identity(),
    saleId: integer()
      .notNull()
      .references(() => sale.id),
    position: integer().notNull(),
    goodsId: integer().references(() => goods.id),
    /** A heading begins a group with its own sum; a text only says something. Neither is ever agreed or billed. */
    kind: text({ enum: LINE_KINDS }).notNull(),
    /** Left to the customer: taken or not, or one of several. */
    choice: text({ enum: LINE_CHOICES }).notNull().default('none'),
    /** Alternatives of one name exclude each other. */
    choiceGroup: text().notNull().default(''),
    /** Whether it counts now. */
    chosen: boolean().notNull().default(true),
    /** Where the price came from, in words. */
    priceFrom: text().notNull().default(''),
    /** Off this line, for all of `quantity`. */
    discountAmount: minor()
      .notNull()
      .default(sql`0`),
    /** Its share of what is off the whole. */
    wholeLess: minor()
      .notNull()
      .default(sql`0`),
    /** What one was thought to cost when it was written down. */
    expectedCost: fourPlaces().notNull().default(ZERO_BY_DEFAULT),
    deliverTo: text().notNull().default(''),
    description: text().notNull(),
    note: text().notNull().default(''),
    quantity: fourPlaces().notNull(),
    unitPrice: fourPlaces().notNull(),
    discountPercent: percentage().notNull().default(ZERO_BY_DEFAULT),
    taxCodeId: integer()
      .notNull()
      .references(() => taxCode.id),
    incomeAccountId: integer()
      .notNull()
      .references(() => account.id),
    /** Sums over the sale's papers, refreshed with them. The checks keep two hands from passing what was agreed. */
    agreed: fourPlaces().notNull().default(ZERO_BY_DEFAULT),
    handedOver: fourPlaces().notNull().default(ZERO_BY_DEFAULT),
    returned: fourPlaces().notNull().default(ZERO_BY_DEFAULT),
    toReplace: fourPlaces().notNull().default(ZERO_BY_DEFAULT),
    billed: fourPlaces().notNull().default(ZERO_BY_DEFAULT),
    credited: fourPlaces().notNull().default(ZERO_BY_DEFAULT),
    toRebill: fourPlaces().notNull().default(ZERO_BY_DEFAULT),
    /** In which turn goods are set aside for it. */
    /** How many came from a supplier for this line: set aside for it before anybody waits. */
    cameFor: fourPlaces().notNull().default(ZERO_BY_DEFAULT),
    asideTurn: text({ enum: ASIDE_TURNS }).notNull().default('in turn'),
  },
  (t) => [
    index('sale_line_sale').on(t.saleId, t.position),
    index('sale_line_to_bill')
      .on(t.saleId)
      .where(sql`${t.handedOver} > ${t.billed}`),
    index('sale_line_waiting')
      .on(t.goodsId)
      .where(sql`${t.agreed} > ${t.handedOver} - ${t.toReplace}`),
    check('line_quantity_positive', sql`${t.quantity} >= 0 and ${t.unitPrice} >= 0`),
    check(
      'line_not_overfilled',
      sql`${t.handedOver} - ${t.toReplace} <= ${t.agreed} and ${t.billed} - ${t.toRebill} <= ${t.agreed}`,
    ),
    check('line_not_given_back_twice', sql`${t.returned} <= ${t.handedOver} and ${t.credited} <= ${t.billed}`),
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
    kind: text({ enum: VERSION_KINDS }).notNull(),
    onDay: onDay().notNull(),
    validUntil: onDay(),
    /** Why it was changed, where that was said. */
    reason: text().notNull().default(''),
    lines: jsonb().notNull(),
    gross: minor().notNull(),
    /** Off the whole, as it was. */
    less: minor()
      .notNull()
      .default(sql`0`),
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
    percent: percentage(),
    amount: minor().notNull(),
  },
  (t) => [index('deposit_request_sale').on(t.saleId), check('deposit_positive', sql`${t.amount} > 0`)],
)

/** What one kit of a line is made of: as its goods said when it was written, until a part is replaced on this sale. */
export const saleLinePart = pgTable(
  'sale_line_part',
  {
    lineId: integer()
      .notNull()
      .references(() => saleLine.id, { onDelete: 'cascade' }),
    goodsId: integer()
      .notNull()
      .references(() => goods.id),
    quantity: fourPlaces().notNull(),
  },
  (t) => [primaryKey({ columns: [t.lineId, t.goodsId] }), check('line_part_positive', sql`${t.quantity} > 0`)],
)

/** A next step put off until a day, or done away with. Holds as long as the step is the same. */
export const nextMark = pgTable(
  'next_mark',
  {
    id: identity(),
    saleId: integer()
      .notNull()
      .references(() => sale.id),
    action: text().notNull(),
    /** Since when the step waited: a new one of the same kind is a new step. */
    since: onDay().notNull(),
    /** Null: done away with. */
    until: onDay(),
    reason: text().notNull().default(''),
    markedOn: onDay().notNull(),
  },
  (t) => [unique('next_mark_step').on(t.saleId, t.action)],
)

/** A sale that comes again: what is made of it, how often, until when. */
export const repeat = pgTable(
  'repeat',
  {
    id: identity(),
    /** The sale that is copied. */
    saleId: integer()
      .notNull()
      .references(() => sale.id),
    ...rhythm(),
    makes: text({ enum: REPEAT_MAKES }).notNull(),
    /** Issued without being looked at first. */
    byItself: boolean().notNull().default(false),
  },
  (t) => [index('repeat_next').on(t.nextOn), index('repeat_sale').on(t.saleId)],
)

/** What a repeat made on a day: never twice. */
export const repeatRun = pgTable(
  'repeat_run',
  {
    id: identity(),
    repeatId: integer()
      .notNull()
      .references(() => repeat.id),
    onDay: onDay().notNull(),
    saleId: integer()
      .notNull()
      .references(() => sale.id),
  },
  (t) => [unique('repeat_once_a_day').on(t.repeatId, t.onDay), index('repeat_run_sale').on(t.saleId)],
)
