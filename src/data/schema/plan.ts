import { PLAN_ENDS } from '@/core/kinds'
import { pgTable, text, integer, jsonb, index, uniqueIndex, boolean, unique } from 'drizzle-orm/pg-core'
import { identity, onDay, minor } from './columns'
import { sale } from './sale'
import { customer } from './people'
import { invoice } from './invoice'
import { sql } from 'drizzle-orm'
import { due, receipt } from './money'
import { entry } from './ledger'

/** Goods went, a schedule stays: the installments of one bill. Its rows are dues. */
export const plan = pgTable(
  'plan',
  {
    id: identity(),
    number: text().notNull().unique(),
    saleId: integer()
      .notNull()
      .references(() => sale.id),
    customerId: integer()
      .notNull()
      .references(() => customer.id),
    invoiceId: integer()
      .notNull()
      .references(() => invoice.id),
    startedOn: onDay().notNull(),
    /** What was agreed: the arrangement, parsed by Zod on the way out. */
    terms: jsonb().notNull(),
    financed: minor().notNull(),
    /** The charge of its rows, as the plan began. */
    charge: minor().notNull(),
    /** A fraction, four places; empty where nothing was financed. */
    yearlyRate: text().notNull().default(''),
    /** The plan this one took over from. */
    replacesId: integer(),
    endedOn: onDay(),
    endedAs: text({ enum: PLAN_ENDS }),
    /** A card kept for it, as the stand-in knows it: collected from by itself. */
    card: text().notNull().default(''),
  },
  (t) => [
    index('plan_sale').on(t.saleId),
    index('plan_customer').on(t.customerId),
    index('plan_live')
      .on(t.id)
      .where(sql`${t.endedOn} is null`),
  ],
)

/** What happened to a plan's charge: added at the start, earned row by row, given back. Together: what is not earned yet. */
export const planCharge = pgTable(
  'plan_charge',
  {
    id: identity(),
    planId: integer()
      .notNull()
      .references(() => plan.id),
    dueId: integer().references(() => due.id),
    onDay: onDay().notNull(),
    /** Positive adds to what is not earned yet. */
    amount: minor().notNull(),
    why: text({ enum: ['added', 'earned', 'ended', 'carried'] }).notNull(),
    entryId: integer().references(() => entry.id),
  },
  (t) => [
    index('plan_charge_plan').on(t.planId),
    uniqueIndex('plan_charge_earned_once')
      .on(t.dueId)
      .where(sql`${t.why} = 'earned'`),
  ],
)

/** A try to collect a row from the card kept for its plan. */
export const collection = pgTable(
  'collection',
  {
    id: identity(),
    dueId: integer()
      .notNull()
      .references(() => due.id),
    onDay: onDay().notNull(),
    approved: boolean().notNull(),
    why: text().notNull().default(''),
    receiptId: integer().references(() => receipt.id),
  },
  (t) => [unique('collection_once_a_day').on(t.dueId, t.onDay)],
)
