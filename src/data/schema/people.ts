import { sql } from 'drizzle-orm'
import { boolean, index, integer, numeric, pgTable, text } from 'drizzle-orm/pg-core'
import { identity, minor, onDay } from './columns'

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
    discountPercent: numeric({ precision: 7, scale: 4 }),
    discountDays: integer(),
    taxExempt: boolean().notNull().default(false),
    exemptNumber: text().notNull().default(''),
    exemptUntil: onDay(),
    priceLevel: text().notNull().default(''),
    creditLimit: minor(),
    /** Stands for everybody who buys at the counter without giving a name. */
    walkIn: boolean().notNull().default(false),
    since: onDay().notNull(),
  },
  (t) => [
    index('customer_name').on(sql`lower(${t.name})`),
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
    kind: text({ enum: ['bill-to', 'deliver-to'] }).notNull(),
    text: text().notNull(),
    isDefault: boolean().notNull().default(false),
  },
  (t) => [index('address_customer').on(t.customerId)],
)
