import { sql } from 'drizzle-orm'
import { check, index, integer, pgTable, text, timestamp, unique, uniqueIndex } from 'drizzle-orm/pg-core'
import { fourPlaces, identity, minor, onDay } from './columns'
import { goods } from './goods'
import { due, receipt } from './money'
import { customer } from './people'
import { sale } from './sale'

/** What somebody gathers on the shopfront. `turn` counts every change, so that both screens follow. */
export const basket = pgTable(
  'basket',
  {
    id: identity(),
    tokenHash: text().notNull().unique(),
    name: text().notNull().default(''),
    email: text().notNull().default(''),
    phone: text().notNull().default(''),
    deliverTo: text().notNull().default(''),
    note: text().notNull().default(''),
    turn: integer().notNull().default(0),
    startedOn: onDay().notNull(),
    touchedAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
    saleId: integer().references(() => sale.id),
  },
  (t) => [
    index('basket_open')
      .on(t.touchedAt)
      .where(sql`${t.saleId} is null`),
  ],
)

export const basketLine = pgTable(
  'basket_line',
  {
    id: identity(),
    basketId: integer()
      .notNull()
      .references(() => basket.id),
    goodsId: integer()
      .notNull()
      .references(() => goods.id),
    quantity: fourPlaces().notNull(),
  },
  (t) => [unique('basket_line_once').on(t.basketId, t.goodsId), check('basket_line_positive', sql`${t.quantity} > 0`)],
)

/** A payment asked of the card stand-in. Its answer may come late, or twice; the receipt is made once. */
export const cardPayment = pgTable(
  'card_payment',
  {
    id: identity(),
    reference: text().notNull().unique(),
    customerId: integer()
      .notNull()
      .references(() => customer.id),
    saleId: integer().references(() => sale.id),
    /** The row of a plan that a card kept for it pays. */
    dueId: integer().references(() => due.id),
    amount: minor().notNull(),
    state: text({ enum: ['asked', 'approved', 'refused'] })
      .notNull()
      .default('asked'),
    why: text().notNull().default(''),
    askedOn: onDay().notNull(),
    askedAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
    receiptId: integer()
      .unique()
      .references(() => receipt.id),
  },
  (t) => [
    index('card_payment_customer').on(t.customerId),
    // Of a row one payment at a time: what nobody answered yet is asked for again, by the same reference.
    uniqueIndex('card_payment_due_asked')
      .on(t.dueId)
      .where(sql`${t.state} = 'asked'`),
    check('card_payment_positive', sql`${t.amount} > 0`),
  ],
)
