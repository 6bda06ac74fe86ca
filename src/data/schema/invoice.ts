import { INVOICE_KINDS, INVOICE_STATUSES } from '@/core/kinds'
import { sql } from 'drizzle-orm'
import {
  boolean,
  check,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  unique,
} from 'drizzle-orm/pg-core'
import { fourPlaces, identity, minor, onDay, percentage } from './columns'
import { goods } from './goods'
import { account, entry } from './ledger'
import { customer } from './people'
import { sale, saleLine } from './sale'
import { taxCode, taxComponent } from './tax'

/** An invoice, an invoice-receipt of the counter, or a credit note. Free to change as a draft, fixed once issued. */
export const invoice = pgTable(
  'invoice',
  {
    id: identity(),
    kind: text({ enum: INVOICE_KINDS }).notNull(),
    status: text({ enum: INVOICE_STATUSES }).notNull().default('draft'),
    /** Given when issued. */
    number: text().unique(),
    saleId: integer()
      .notNull()
      .references(() => sale.id),
    customerId: integer()
      .notNull()
      .references(() => customer.id),
    onDay: onDay().notNull(),
    net: minor().notNull(),
    tax: minor().notNull(),
    gross: minor().notNull(),
    reason: text().notNull().default(''),
    creditsId: integer(),
    entryId: integer().references(() => entry.id),
    /** To whom it is addressed and what it says around its lines, as it was issued; none on a draft, which says what holds now. */
    says: jsonb(),
  },
  (t) => [
    foreignKey({ columns: [t.creditsId], foreignColumns: [t.id] }),
    index('invoice_number_words').using('gin', sql`plain_text(${t.number}) gin_trgm_ops`),
    index('invoice_order').on(t.number.desc().nullsLast(), t.id.desc().nullsFirst()),
    index('invoice_sale').on(t.saleId),
    index('invoice_customer').on(t.customerId, t.onDay),
    index('invoice_day').on(t.onDay, t.id),
    index('invoice_credits').on(t.creditsId),
    check('issued_has_number', sql`(${t.status} = 'issued') = (${t.number} is not null)`),
    check('invoice_adds_up', sql`${t.net} + ${t.tax} = ${t.gross}`),
  ],
)

export const invoiceLine = pgTable(
  'invoice_line',
  {
    id: identity(),
    invoiceId: integer()
      .notNull()
      .references(() => invoice.id),
    saleLineId: integer()
      .notNull()
      .references(() => saleLine.id),
    /** The line of the invoice that a credit note's line takes back. */
    creditsLineId: integer(),
    goodsId: integer().references(() => goods.id),
    description: text().notNull(),
    note: text().notNull().default(''),
    quantity: fourPlaces().notNull(),
    unitPrice: fourPlaces().notNull(),
    discountPercent: percentage().notNull(),
    taxCodeId: integer()
      .notNull()
      .references(() => taxCode.id),
    incomeAccountId: integer()
      .notNull()
      .references(() => account.id),
    net: minor().notNull(),
    tax: minor().notNull(),
    /** The part of `net` billed ahead of handover (on a credit note: taken back from there). */
    ahead: minor()
      .notNull()
      .default(sql`0`),
    /** On a credit note: may be billed again. */
    rebill: boolean().notNull().default(false),
  },
  (t) => [
    foreignKey({ columns: [t.creditsLineId], foreignColumns: [t.id] }),
    index('invoice_line_invoice').on(t.invoiceId),
    index('invoice_line_ahead')
      .on(t.invoiceId)
      .where(sql`${t.ahead} <> 0`),
    index('invoice_line_sale_line').on(t.saleLineId),
    index('invoice_line_credits').on(t.creditsLineId),
  ],
)

/** Tax by code and component; a code without components stands with its net alone. */
export const invoiceTax = pgTable(
  'invoice_tax',
  {
    id: identity(),
    invoiceId: integer()
      .notNull()
      .references(() => invoice.id),
    taxCodeId: integer()
      .notNull()
      .references(() => taxCode.id),
    componentId: integer().references(() => taxComponent.id),
    net: minor().notNull(),
    amount: minor().notNull(),
  },
  (t) => [index('invoice_tax_invoice').on(t.invoiceId)],
)

/**
 * Tax by code and component of what was issued in a month, credit notes taken off, with what moved of it since: kept by triggers, since
 * nothing that was issued changes.
 */
export const taxMonth = pgTable(
  'tax_month',
  {
    id: identity(),
    month: onDay().notNull(),
    taxCodeId: integer().notNull(),
    componentId: integer(),
    net: minor().notNull(),
    amount: minor().notNull(),
  },
  (t) => [unique('tax_month_once').on(t.month, t.taxCodeId, t.componentId).nullsNotDistinct()],
)

/**
 * How many invoices, counter sales, credit notes and receipts there are of a month, and what they come to, kept by triggers: drafts
 * count, receipts that were voided do not.
 */
export const paperMonth = pgTable(
  'paper_month',
  {
    paper: text({ enum: [...INVOICE_KINDS, 'receipt'] }).notNull(),
    month: onDay().notNull(),
    count: integer().notNull(),
    net: minor().notNull(),
    tax: minor().notNull(),
    gross: minor().notNull(),
  },
  (t) => [primaryKey({ columns: [t.paper, t.month] })],
)
