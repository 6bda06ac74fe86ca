import { COSTINGS, GOODS_KINDS, SUPPLIER_ADDRESSES, TRACKS } from '@/core/kinds'
import type { Decimal } from '@/core/money'
import { sql } from 'drizzle-orm'
import {
  boolean,
  check,
  foreignKey,
  index,
  integer,
  pgTable,
  primaryKey,
  text,
  unique,
  uniqueIndex,
} from 'drizzle-orm/pg-core'
import { fourPlaces, identity, onDay, percentage, ZERO_BY_DEFAULT } from './columns'
import { account } from './ledger'
import { customer } from './people'
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
    /** How one piece is told from another, and what a piece costs that leaves: fixed once it moved. */
    track: text({ enum: TRACKS }).notNull().default('none'),
    costing: text({ enum: COSTINGS }).notNull().default('average'),
    /** Where it lies where nothing else is said; null for the usual place of all. */
    placeId: integer().references(() => place.id),
    /** Months of warranty from the day it is handed over. */
    warrantyMonths: integer(),
  },
  (t) => [
    check('serial_costs_its_own', sql`(${t.track} = 'serial') = (${t.costing} = 'unit')`),
    index('goods_name').on(sql`lower(${t.name})`),
    index('goods_code').on(sql`lower(${t.code})`),
    index('goods_in_shop')
      .on(sql`plain_text(${t.name})`)
      .where(sql`${t.onShopfront} and not ${t.retired}`),
    index('goods_reorder')
      .on(t.id)
      .where(sql`${t.reorderAt} is not null and not ${t.retired}`),
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

export const supplier = pgTable(
  'supplier',
  {
    id: identity(),
    name: text().notNull(),
    email: text().notNull().default(''),
    phone: text().notNull().default(''),
    address: text().notNull().default(''),
    note: text().notNull().default(''),
    /** Their bills are due so many days after their day, and cost so much less when they are paid early. */
    netDays: integer().notNull().default(30),
    discountPercent: percentage().notNull().default(ZERO_BY_DEFAULT),
    discountDays: integer().notNull().default(0),
    /** The same people buy from us too: what each side owes may be set off. */
    customerId: integer().references(() => customer.id),
    /** Their number with the tax authority, as it stands on their bills. */
    taxNumber: text().notNull().default(''),
    /** What lines of their bills usually are taxed with. */
    taxCodeId: integer().references(() => taxCode.id),
    bankName: text().notNull().default(''),
    iban: text().notNull().default(''),
    bic: text().notNull().default(''),
    routing: text().notNull().default(''),
    bankAccount: text().notNull().default(''),
  },
  (t) => [
    index('supplier_name').on(sql`lower(${t.name})`),
    uniqueIndex('supplier_of_customer').on(t.customerId),
    check(
      'supplier_terms',
      sql`${t.netDays} >= 0 and ${t.discountDays} >= 0 and ${t.discountPercent} between 0 and 100`,
    ),
  ],
)

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
    /** They sell it by so many, at so much each. */
    packSize: fourPlaces()
      .notNull()
      .default(sql<Decimal>`'1'`),
    unitCost: fourPlaces(),
  },
  (t) => [primaryKey({ columns: [t.goodsId, t.supplierId] })],
)

/** What a supplier asks for one, from a quantity on, while it is valid. */
export const supplierPrice = pgTable(
  'supplier_price',
  {
    id: identity(),
    goodsId: integer().notNull(),
    supplierId: integer().notNull(),
    fromQuantity: fourPlaces().notNull().default(ZERO_BY_DEFAULT),
    unitCost: fourPlaces().notNull(),
    validFrom: onDay(),
    validUntil: onDay(),
  },
  (t) => [
    foreignKey({
      name: 'supplier_price_of_goods',
      columns: [t.goodsId, t.supplierId],
      foreignColumns: [goodsSupplier.goodsId, goodsSupplier.supplierId],
    }).onDelete('cascade'),
    unique('supplier_price_once').on(t.goodsId, t.supplierId, t.fromQuantity, t.validFrom).nullsNotDistinct(),
    check('supplier_price_not_below_zero', sql`${t.unitCost} >= 0 and ${t.fromQuantity} >= 0`),
    check('supplier_price_valid_forwards', sql`${t.validUntil} >= ${t.validFrom}`),
  ],
)

/** Where a supplier takes orders, goods that go back, or checks, where that is not their address. */
export const supplierAddress = pgTable(
  'supplier_address',
  {
    supplierId: integer()
      .notNull()
      .references(() => supplier.id),
    use: text({ enum: SUPPLIER_ADDRESSES }).notNull(),
    text: text().notNull(),
  },
  (t) => [primaryKey({ columns: [t.supplierId, t.use] })],
)

/** Somebody to ask for at a supplier’s. */
export const supplierContact = pgTable(
  'supplier_contact',
  {
    id: identity(),
    supplierId: integer()
      .notNull()
      .references(() => supplier.id),
    name: text().notNull(),
    role: text().notNull().default(''),
    email: text().notNull().default(''),
    phone: text().notNull().default(''),
  },
  (t) => [index('supplier_contact_supplier').on(t.supplierId)],
)
