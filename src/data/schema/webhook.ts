import { sql } from 'drizzle-orm'
import { index, integer, pgTable, text, timestamp } from 'drizzle-orm/pg-core'
import { WEBHOOK_EVENTS, WEBHOOK_STATES } from '@/core/kinds'
import { identity, onDay } from './columns'

/** A program of the owner’s that is told what happens. Its secret is sealed: it signs what is sent. */
export const webhook = pgTable('webhook', {
  id: identity(),
  url: text().notNull(),
  secret: text().notNull(),
  events: text({ enum: WEBHOOK_EVENTS }).array().notNull(),
  madeOn: onDay().notNull(),
  /** From this day on it is told nothing more. */
  endedOn: onDay(),
})

/** Something that happened, for one webhook: written by triggers in the transaction in which it happened, sent afterwards. */
export const webhookDelivery = pgTable(
  'webhook_delivery',
  {
    id: identity(),
    webhookId: integer()
      .notNull()
      .references(() => webhook.id),
    event: text({ enum: WEBHOOK_EVENTS }).notNull(),
    /** Of the receipt, the sale or the handover. */
    subjectId: integer().notNull(),
    happenedAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
    state: text({ enum: WEBHOOK_STATES }).notNull().default('waiting'),
    tries: integer().notNull().default(0),
    nextTryAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
    /** What was answered last: a status of HTTP, or why there was none. */
    answered: text().notNull().default(''),
  },
  (t) => [
    index('webhook_delivery_waiting')
      .on(t.nextTryAt)
      .where(sql`${t.state} = 'waiting'`),
    index('webhook_delivery_of').on(t.webhookId, t.id),
  ],
)
