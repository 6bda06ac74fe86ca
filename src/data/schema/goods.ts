import { GOODS_KINDS } from '@/core/kinds'
import { sql } from 'drizzle-orm'
import { boolean, check, index, integer, pgTable, primaryKey, text, unique, uniqueIndex } from 'drizzle-orm/pg-core'
import { fourPlaces, identity, minor, onDay, percentage, ZERO_BY_DEFAULT } from './columns'
import { account, entry } from './ledger'
import { taxCode } from './tax'

export const place = pgTable(
  'place',
  {
    id: identity(),
    code: text().notNull().unique(),
    name: text().notNull(),
    /** Where goods come to and are counted when no place is named; one of them is. */
    usual: boolean().notNull().default(false),
  },
  (t) => [
    uniqueIndex('place_one_usual')
      .on(t.usual)
      .where(sql`${t.usual}`),
  ],
)

export const goods = pgTable(
  'goods',
  {
    id: identity(),
    code: text().notNull().unique(),
    name: text().notNull(),
    kind: text({ enum: GOODS_KINDS }).notNull(),
    price: fourPlaces().notNull(),
    taxCodeId: integer()
      .notNull()
      .references(() => taxCode.id),
    incomeAccountId: integer()
      .notNull()
      .references(() => account.id),
    barcode: text().notNull().default(''),
    note: text().notNull().default(''),
    tags: text()
      .array()
      .notNull()
      .default(sql`'{}'`),
    /** In kilograms, and centimetres as `40 × 25 × 12`. */
    weight: fourPlaces(),
    size: text().notNull().default(''),
    /** Buy when fewer are available. */
    reorderAt: fourPlaces(),
    /** A kit that costs what its parts cost the customer together. */
    priceIsSum: boolean().notNull().default(false),
    /** Shown on the shopfront. */
    onShopfront: boolean().notNull().default(false),
    pictureFileId: integer(),
    retired: boolean().notNull().default(false),
  },
  (t) => [
    index('goods_name').on(sql`lower(${t.name})`),
    index('goods_barcode')
      .on(t.barcode)
      .where(sql`${t.barcode} <> ''`),
  ],
)

/** What one kit is made of. */
export const goodsPart = pgTable(
  'goods_part',
  {
    kitId: integer()
      .notNull()
      .references(() => goods.id),
    partId: integer()
      .notNull()
      .references(() => goods.id),
    quantity: fourPlaces().notNull(),
  },
  (t) => [primaryKey({ columns: [t.kitId, t.partId] }), check('part_positive', sql`${t.quantity} > 0`)],
)

/** What lies where and what it cost: the sum of the moves, kept by a trigger, never below zero. */
export const shelf = pgTable(
  'shelf',
  {
    goodsId: integer()
      .notNull()
      .references(() => goods.id),
    placeId: integer()
      .notNull()
      .references(() => place.id),
    quantity: fourPlaces().notNull(),
    value: minor().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.goodsId, t.placeId] }),
    check('shelf_not_below_zero', sql`${t.quantity} >= 0`),
    check('empty_shelf_worth_nothing', sql`${t.quantity} <> 0 or ${t.value} = 0`),
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
    paperKind: text().notNull(),
    paperId: integer().notNull(),
  },
  (t) => [index('stock_move_goods').on(t.goodsId, t.onDay, t.id), index('stock_move_day').on(t.onDay)],
)

/** What some customers pay: a percentage off the list, or prices of their own per thing. */
export const priceLevel = pgTable('price_level', {
  id: identity(),
  code: text().notNull().unique(),
  name: text().notNull(),
  percentOff: percentage().notNull().default(ZERO_BY_DEFAULT),
  /** Whether papers of this level show prices with tax; null where the business's way holds. */
  pricesIncludeTax: boolean(),
})

/** A price of a thing from a quantity on, for a level or for everybody, while it is valid. */
export const price = pgTable(
  'price',
  {
    id: identity(),
    goodsId: integer()
      .notNull()
      .references(() => goods.id),
    levelId: integer().references(() => priceLevel.id),
    fromQuantity: fourPlaces().notNull().default(ZERO_BY_DEFAULT),
    price: fourPlaces().notNull(),
    validFrom: onDay(),
    validUntil: onDay(),
  },
  (t) => [
    index('price_goods').on(t.goodsId),
    unique('price_once').on(t.goodsId, t.levelId, t.fromQuantity, t.validFrom).nullsNotDistinct(),
    check('price_not_below_zero', sql`${t.price} >= 0 and ${t.fromQuantity} >= 0`),
    check('price_valid_forwards', sql`${t.validUntil} >= ${t.validFrom}`),
  ],
)

export const supplier = pgTable('supplier', {
  id: identity(),
  name: text().notNull(),
  email: text().notNull().default(''),
  phone: text().notNull().default(''),
  note: text().notNull().default(''),
})

/** Who sells a thing to us, and what they call it. */
export const goodsSupplier = pgTable(
  'goods_supplier',
  {
    goodsId: integer()
      .notNull()
      .references(() => goods.id),
    supplierId: integer()
      .notNull()
      .references(() => supplier.id),
    code: text().notNull().default(''),
    preferred: boolean().notNull().default(false),
  },
  (t) => [primaryKey({ columns: [t.goodsId, t.supplierId] })],
)
