import { pgTable, text, integer, index, uniqueIndex, check } from 'drizzle-orm/pg-core'
import { identity, onDay, minor } from './columns'
import { customer } from './people'
import { sale } from './sale'
import { due, receipt } from './money'
import { entry } from './ledger'
import { sql } from 'drizzle-orm'
import { bill } from './bill'
import { taxCode, taxComponent } from './tax'

/** A charge on its own paper: for being late, or for a cheque that came back. */
export const extraCharge = pgTable(
  'extra_charge',
  {
    id: identity(),
    number: text().notNull().unique(),
    kind: text({ enum: ['late', 'bounced'] }).notNull(),
    customerId: integer()
      .notNull()
      .references(() => customer.id),
    saleId: integer()
      .notNull()
      .references(() => sale.id),
    onDay: onDay().notNull(),
    amount: minor().notNull(),
    reason: text().notNull().default(''),
    /** The due that was late, or the receipt that came back. */
    forDueId: integer().references(() => due.id),
    receiptId: integer().references(() => receipt.id),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
  },
  (t) => [
    index('extra_charge_sale').on(t.saleId),
    uniqueIndex('late_charge_once')
      .on(t.forDueId)
      .where(sql`${t.kind} = 'late'`),
    check('extra_charge_positive', sql`${t.amount} > 0`),
  ],
)

/** Tax that papers other than invoices moved: discounts taken, debts written off, money taxed as it came. */
export const taxMove = pgTable(
  'tax_move',
  {
    id: identity(),
    onDay: onDay().notNull(),
    taxCodeId: integer()
      .notNull()
      .references(() => taxCode.id),
    componentId: integer()
      .notNull()
      .references(() => taxComponent.id),
    /** Positive: more is owed to the authority. */
    net: minor().notNull(),
    amount: minor().notNull(),
    why: text({ enum: ['discount', 'write-off', 'ahead', 'bank', 'reverse-charge'] }).notNull(),
    /** Whose money ahead it is on. */
    saleId: integer().references(() => sale.id),
    receiptId: integer().references(() => receipt.id),
    /** The due that the discount was taken on, or that was written off. */
    dueId: integer().references(() => due.id),
    /** The supplier’s bill on which we owe the tax ourselves. */
    billId: integer().references(() => bill.id),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
  },
  (t) => [
    index('tax_move_due').on(t.dueId),
    index('tax_move_bill').on(t.billId),
    index('tax_move_entry').on(t.entryId),
    index('tax_move_day').on(t.onDay),
    index('tax_move_sale').on(t.saleId),
    index('tax_move_receipt').on(t.receiptId),
  ],
)
