import { sql } from 'drizzle-orm'
import { boolean, check, index, integer, pgTable, primaryKey, text } from 'drizzle-orm/pg-core'
import { fourPlaces, identity, minor, onDay } from './columns'
import { account, entry } from './ledger'
import { taxCode } from './tax'

export const place = pgTable('place', {
  id: identity(),
  code: text().notNull().unique(),
  name: text().notNull(),
})

export const goods = pgTable(
  'goods',
  {
    id: identity(),
    code: text().notNull().unique(),
    name: text().notNull(),
    kind: text({ enum: ['stock', 'work', 'charge', 'kit'] }).notNull(),
    price: fourPlaces().notNull(),
    taxCodeId: integer()
      .notNull()
      .references(() => taxCode.id),
    incomeAccountId: integer()
      .notNull()
      .references(() => account.id),
    barcode: text().notNull().default(''),
    note: text().notNull().default(''),
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
