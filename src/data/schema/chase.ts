import { pgTable, integer, text, index, check } from 'drizzle-orm/pg-core'
import { identity, onDay, minor } from './columns'
import { customer } from './people'
import { sale } from './sale'
import { sql } from 'drizzle-orm'

/** A customer said they would pay by a day. Kept or broken is told by what came. */
export const payPromise = pgTable(
  'pay_promise',
  {
    id: identity(),
    customerId: integer()
      .notNull()
      .references(() => customer.id),
    saleId: integer()
      .notNull()
      .references(() => sale.id),
    madeOn: onDay().notNull(),
    byDay: onDay().notNull(),
    amount: minor().notNull(),
    note: text().notNull().default(''),
    droppedOn: onDay(),
  },
  (t) => [
    index('pay_promise_customer').on(t.customerId),
    index('pay_promise_sale').on(t.saleId),
    check('pay_promise_positive', sql`${t.amount} > 0`),
  ],
)

/** A reminder that was written, and how firm it was. */
export const reminder = pgTable(
  'reminder',
  {
    id: identity(),
    customerId: integer()
      .notNull()
      .references(() => customer.id),
    stage: integer().notNull(),
    onDay: onDay().notNull(),
    amount: minor().notNull(),
    postId: integer().notNull(),
  },
  (t) => [index('reminder_customer').on(t.customerId, t.onDay)],
)
