import { sql } from 'drizzle-orm'
import { check, index, integer, pgTable, text, unique, uniqueIndex } from 'drizzle-orm/pg-core'
import { fourPlaces, identity, minor, onDay } from './columns'
import { goods, place } from './goods'
import { entry } from './ledger'
import { saleLine } from './sale'

/**
 * Pieces of a thing that are told apart: a lot, one serial, or what came together where the first to come is the first to go.
 * Of a lot that is costed first in first out there is one for each time it came.
 */
export const batch = pgTable(
  'batch',
  {
    id: identity(),
    goodsId: integer()
      .notNull()
      .references(() => goods.id),
    lot: text(),
    expires: onDay(),
    serial: text(),
    cameOn: onDay().notNull(),
  },
  (t) => [
    uniqueIndex('batch_serial_once').on(t.goodsId, sql`lower(${t.serial})`),
    index('batch_serial').on(sql`lower(${t.serial})`),
    index('batch_lot').on(sql`lower(${t.lot})`),
    index('batch_expires')
      .on(t.expires)
      .where(sql`expires is not null`),
    index('batch_goods').on(t.goodsId, sql`lower(${t.lot})`),
    check('batch_is_one_thing', sql`${t.lot} is null or ${t.serial} is null`),
    check('batch_expires_by_lot', sql`${t.expires} is null or ${t.lot} is not null`),
  ],
)

/** How many lie where: the sum of the moves, kept by a trigger, never below zero. */
export const shelf = pgTable(
  'shelf',
  {
    goodsId: integer()
      .notNull()
      .references(() => goods.id),
    placeId: integer()
      .notNull()
      .references(() => place.id),
    batchId: integer().references(() => batch.id),
    quantity: fourPlaces().notNull(),
  },
  (t) => [
    unique('shelf_once').on(t.goodsId, t.placeId, t.batchId).nullsNotDistinct(),
    check('shelf_not_below_zero', sql`${t.quantity} >= 0`),
  ],
)

/**
 * What goods are worth that cost alike: all of a thing at average cost, one serial, or one layer in one place. The sum of the
 * moves, kept by a trigger.
 */
export const pool = pgTable(
  'pool',
  {
    goodsId: integer()
      .notNull()
      .references(() => goods.id),
    placeId: integer().references(() => place.id),
    batchId: integer().references(() => batch.id),
    quantity: fourPlaces().notNull(),
    value: minor().notNull(),
  },
  (t) => [
    unique('pool_once').on(t.goodsId, t.placeId, t.batchId).nullsNotDistinct(),
    check('pool_not_below_zero', sql`${t.quantity} >= 0`),
    check('empty_pool_worth_nothing', sql`${t.quantity} <> 0 or ${t.value} = 0`),
  ],
)

/** What of a thing is on hand, over all its pools: kept beside them by a trigger, so that nobody adds up every pile to know it. */
export const onHand = pgTable(
  'on_hand',
  {
    goodsId: integer()
      .primaryKey()
      .references(() => goods.id),
    quantity: fourPlaces().notNull(),
    value: minor().notNull(),
  },
  (t) => [
    check('on_hand_not_below_zero', sql`${t.quantity} >= 0`),
    check('nothing_on_hand_worth_nothing', sql`${t.quantity} <> 0 or ${t.value} = 0`),
  ],
)

export const stockCount = pgTable('stock_count', {
  id: identity(),
  number: text().notNull().unique(),
  onDay: onDay().notNull(),
  placeId: integer()
    .notNull()
    .references(() => place.id),
  entryId: integer().references(() => entry.id),
})

/** Goods carried from one place to another: nothing is posted, their worth goes along. */
export const stockTransfer = pgTable(
  'stock_transfer',
  {
    id: identity(),
    number: text().notNull().unique(),
    onDay: onDay().notNull(),
    fromPlaceId: integer()
      .notNull()
      .references(() => place.id),
    toPlaceId: integer()
      .notNull()
      .references(() => place.id),
  },
  (t) => [check('transfer_goes_elsewhere', sql`${t.fromPlaceId} <> ${t.toPlaceId}`)],
)

/** Goods found, broken, used up or given away: posted against stock adjustments, with its reason. */
export const stockAdjustment = pgTable('stock_adjustment', {
  id: identity(),
  number: text().notNull().unique(),
  onDay: onDay().notNull(),
  reason: text().notNull(),
  entryId: integer().references(() => entry.id),
})

/** Kits put together ahead, or taken apart (`quantity` below zero): nothing is posted, their worth goes along. */
export const assembly = pgTable(
  'assembly',
  {
    id: identity(),
    number: text().notNull().unique(),
    onDay: onDay().notNull(),
    kitId: integer()
      .notNull()
      .references(() => goods.id),
    placeId: integer()
      .notNull()
      .references(() => place.id),
    quantity: fourPlaces().notNull(),
  },
  (t) => [check('assembly_of_something', sql`${t.quantity} <> 0`)],
)

/** A line of a stock card. Positive came, negative left; never changed. */
export const stockMove = pgTable(
  'stock_move',
  {
    id: identity(),
    goodsId: integer()
      .notNull()
      .references(() => goods.id),
    placeId: integer()
      .notNull()
      .references(() => place.id),
    onDay: onDay().notNull(),
    quantity: fourPlaces().notNull(),
    value: minor().notNull(),
    batchId: integer().references(() => batch.id),
    paperKind: text().notNull(),
    paperId: integer().notNull(),
    /** The line of a sale it was for. */
    saleLineId: integer().references(() => saleLine.id),
  },
  (t) => [
    index('stock_move_goods').on(t.goodsId, t.onDay, t.id),
    index('stock_move_day').on(t.onDay),
    index('stock_move_batch').on(t.batchId),
    index('stock_move_line').on(t.saleLineId),
    index('stock_move_paper').on(t.paperKind, t.paperId),
  ],
)
