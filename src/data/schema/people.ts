import { ADDRESS_KINDS } from '@/core/kinds'
import { sql } from 'drizzle-orm'
import { boolean, check, index, integer, pgTable, text } from 'drizzle-orm/pg-core'
import { identity, minor, onDay, percentage } from './columns'

export const customer = pgTable(
  'customer',
  {
    id: identity(),
    name: text().notNull(),
    contact: text().notNull().default(''),
    email: text().notNull().default(''),
    phone: text().notNull().default(''),
    kind: text().notNull().default(''),
    note: text().notNull().default(''),
    netDays: integer().notNull().default(0),
    discountPercent: percentage(),
    discountDays: integer(),
    taxExempt: boolean().notNull().default(false),
    exemptNumber: text().notNull().default(''),
    exemptUntil: onDay(),
    priceLevel: text().notNull().default(''),
    language: text().notNull().default('en'),
    tags: text()
      .array()
      .notNull()
      .default(sql`'{}'`),
    /** Joined to another customer: their papers stand there now. */
    joinedToId: integer(),
    creditLimit: minor(),
    /** Stands for everybody who buys at the counter without giving a name. */
    walkIn: boolean().notNull().default(false),
    since: onDay().notNull(),
  },
  (t) => [
    index('customer_name').on(sql`plain_text(${t.name})`, t.id),
    index('customer_email')
      .on(sql`lower(${t.email})`)
      .where(sql`${t.email} <> ''`),
    check('not_joined_to_itself', sql`${t.joinedToId} <> ${t.id}`),
    index('customer_walk_in')
      .on(t.id)
      .where(sql`${t.walkIn}`),
  ],
)

export const address = pgTable(
  'address',
  {
    id: identity(),
    customerId: integer()
      .notNull()
      .references(() => customer.id),
    kind: text({ enum: ADDRESS_KINDS }).notNull(),
    text: text().notNull(),
    isDefault: boolean().notNull().default(false),
    /** For whoever delivers: the bell, the back door, the hours. */
    instructions: text().notNull().default(''),
    /** Picks the tax code of what is delivered there. */
    taxArea: text().notNull().default(''),
  },
  (t) => [index('address_customer').on(t.customerId)],
)

/** Somebody to ask for at a customer's, beside the first contact. */
export const contact = pgTable(
  'contact',
  {
    id: identity(),
    customerId: integer()
      .notNull()
      .references(() => customer.id),
    name: text().notNull(),
    role: text().notNull().default(''),
    email: text().notNull().default(''),
    phone: text().notNull().default(''),
  },
  (t) => [index('contact_customer').on(t.customerId)],
)

/** A way into one's own pages for a customer. Only the hash of its secret is kept. */
export const customerLink = pgTable(
  'customer_link',
  {
    id: identity(),
    tokenHash: text().notNull().unique(),
    customerId: integer()
      .notNull()
      .references(() => customer.id),
    /** The sale it opens; none where it is of the customer as a whole. */
    saleId: integer(),
    /** It opens everything of the customer, not its sale alone. */
    opensAll: boolean().notNull().default(false),
    madeOn: onDay().notNull(),
    /** The last day it opens anything. */
    expiresOn: onDay()
      .notNull()
      .default(sql`current_date + 180`),
    withdrawnOn: onDay(),
    seenOn: onDay(),
  },
  (t) => [index('customer_link_customer').on(t.customerId), index('customer_link_sale').on(t.saleId)],
)
