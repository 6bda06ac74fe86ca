import { METHODS, HELD_KINDS, RECEIPT_METHODS } from '@/core/ledger'
import { VOID_KINDS } from '@/core/kinds'
import { sql } from 'drizzle-orm'
import { boolean, check, index, integer, pgTable, text, unique } from 'drizzle-orm/pg-core'
import { identity, minor, onDay } from './columns'
import { invoice } from './invoice'
import { account, entry } from './ledger'
import { customer } from './people'
import { sale } from './sale'

/** Something a customer owes on a day. `filled` is kept by a trigger from the fills and can never pass `amount`. */
export const due = pgTable(
  'due',
  {
    id: identity(),
    /** The bill it is of; none where it is a charge of its own. */
    invoiceId: integer().references(() => invoice.id),
    saleId: integer()
      .notNull()
      .references(() => sale.id),
    customerId: integer()
      .notNull()
      .references(() => customer.id),
    issuedOn: onDay().notNull(),
    /** Its own day where it was owed before these books began: its age runs from it, and nothing else. */
    paperOn: onDay(),
    dueOn: onDay().notNull(),
    amount: minor().notNull(),
    filled: minor()
      .notNull()
      .default(sql`0`),
    /** What it is called beside its bill: `2 of 9`, `late charge CH-2026-0004`. */
    label: text().notNull().default(''),
    /** The row of a plan, and the charge in it. The plan is a row of `plan`. */
    planId: integer(),
    charge: minor()
      .notNull()
      .default(sql`0`),
    /** What of it no bill bills: charges, where they were first owed. */
    beyond: minor()
      .notNull()
      .default(sql`0`),
    /** What of it came along from rows that ended: owed before, not anew. */
    moved: minor()
      .notNull()
      .default(sql`0`),
    /** Comes off when all the rest is paid through this day. */
    discount: minor()
      .notNull()
      .default(sql`0`),
    discountUntil: onDay(),
    /** Kept by the trigger of its fills: the last day on which anything was put on it or taken off again, */
    lastOn: onDay(),
    /** the last on which something was put on it, */
    paidOn: onDay(),
    /** and whether all that was put on it was money, or a discount for money. */
    inMoney: boolean().notNull().default(true),
  },
  (t) => [
    index('due_last').on(t.lastOn, t.issuedOn),
    index('due_paid')
      .on(t.paidOn)
      .where(sql`${t.filled} = ${t.amount} and ${t.inMoney}`),
    index('due_invoice').on(t.invoiceId),
    index('due_plan').on(t.planId),
    index('due_sale').on(t.saleId),
    index('due_customer').on(t.customerId, t.dueOn),
    index('due_open')
      .on(t.customerId, t.dueOn)
      .where(sql`${t.filled} < ${t.amount}`),
    check('due_not_overfilled', sql`${t.filled} >= 0 and ${t.filled} <= ${t.amount}`),
    check(
      'due_parts',
      sql`${t.charge} >= 0 and ${t.charge} <= ${t.amount} and ${t.discount} >= 0 and ${t.discount} <= ${t.amount}`,
    ),
  ],
)

export const receipt = pgTable(
  'receipt',
  {
    id: identity(),
    number: text().notNull().unique(),
    customerId: integer()
      .notNull()
      .references(() => customer.id),
    onDay: onDay().notNull(),
    method: text({ enum: RECEIPT_METHODS }).notNull(),
    amount: minor().notNull(),
    /** Cash given; the rest above `amount` went back as change. */
    tendered: minor().notNull(),
    /** What coins made more (or less) of it. */
    rounding: minor()
      .notNull()
      .default(sql`0`),
    reference: text().notNull().default(''),
    /** The account it came into, where that is another than its method’s. */
    accountId: integer().references(() => account.id),
    /** The invoice-receipt of a counter sale, which carries the entry. */
    invoiceId: integer().references(() => invoice.id),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
  },
  (t) => [
    index('receipt_number_words').using('gin', sql`plain_text(${t.number}) gin_trgm_ops`),
    index('receipt_reference_words').using('gin', sql`plain_text(${t.reference}) gin_trgm_ops`),
    index('receipt_order').on(t.number.desc().nullsLast(), t.id.desc().nullsFirst()),
    index('receipt_customer').on(t.customerId, t.onDay),
    index('receipt_day').on(t.onDay, t.id),
    index('receipt_invoice').on(t.invoiceId),
    check('receipt_positive', sql`${t.amount} > 0 and ${t.tendered} >= ${t.amount} + ${t.rounding}`),
  ],
)

export const receiptVoid = pgTable('receipt_void', {
  receiptId: integer()
    .primaryKey()
    .references(() => receipt.id),
  onDay: onDay().notNull(),
  /** Taken back by the owner, or bounced: the bank or the card company took it back. */
  kind: text({ enum: VOID_KINDS }).notNull().default('voided'),
  reason: text().notNull(),
  /** What the bank took for it. */
  bankFee: minor()
    .notNull()
    .default(sql`0`),
  entryId: integer()
    .notNull()
    .references(() => entry.id),
})

/** A refund that was a mistake: the money is back, and held again as it was. */
export const refundVoid = pgTable('refund_void', {
  refundId: integer()
    .primaryKey()
    .references(() => refund.id),
  onDay: onDay().notNull(),
  reason: text().notNull(),
  entryId: integer()
    .notNull()
    .references(() => entry.id),
})

export const refund = pgTable(
  'refund',
  {
    id: identity(),
    number: text().notNull().unique(),
    customerId: integer()
      .notNull()
      .references(() => customer.id),
    saleId: integer().references(() => sale.id),
    onDay: onDay().notNull(),
    method: text({ enum: METHODS }).notNull(),
    amount: minor().notNull(),
    /** What coins made more (or less) of it. */
    rounding: minor()
      .notNull()
      .default(sql`0`),
    reason: text().notNull().default(''),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
  },
  (t) => [index('refund_customer').on(t.customerId), index('refund_sale').on(t.saleId)],
)

/**
 * What may be put on a due. Money: a receipt, held money, or either taken off again (voided, or released by a credit note
 * and held for the customer from then on). Without money: a credit note, a discount for paying early, a charge given back, a
 * debt written off, a row that moved to another plan.
 */
export const FILL_KINDS = [
  'receipt',
  'held',
  'void',
  'released',
  'credit-note',
  'discount',
  'given-back',
  'write-off',
  'moved',
] as const

/** What was put on a due. Negative takes it off again (a void). */
export const dueFill = pgTable(
  'due_fill',
  {
    id: identity(),
    dueId: integer()
      .notNull()
      .references(() => due.id),
    onDay: onDay().notNull(),
    amount: minor().notNull(),
    kind: text({ enum: FILL_KINDS }).notNull(),
    receiptId: integer().references(() => receipt.id),
    /** The credit note. */
    invoiceId: integer().references(() => invoice.id),
    /** None where a plan’s row only ends and another begins. */
    entryId: integer().references(() => entry.id),
  },
  (t) => [
    index('due_fill_due').on(t.dueId),
    index('due_fill_receipt').on(t.receiptId),
    index('due_fill_day').on(t.onDay),
    index('due_fill_entry').on(t.entryId),
  ],
)

/** Money held for a customer: came (positive) or was used or given back (negative). */
export const heldMove = pgTable(
  'held_move',
  {
    id: identity(),
    customerId: integer()
      .notNull()
      .references(() => customer.id),
    saleId: integer().references(() => sale.id),
    kind: text({ enum: HELD_KINDS }).notNull(),
    onDay: onDay().notNull(),
    amount: minor().notNull(),
    why: text({
      enum: ['receipt', 'invoice', 'credit-note', 'refund', 'void', 'use', 'move', 'fee', 'payoff', 'opening'],
    }).notNull(),
    receiptId: integer().references(() => receipt.id),
    invoiceId: integer().references(() => invoice.id),
    refundId: integer().references(() => refund.id),
    /** The move or fee it is part of: a row of `held_transfer`. */
    transferId: integer(),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
  },
  (t) => [
    index('held_move_entry').on(t.entryId),
    index('held_move_customer').on(t.customerId),
    index('held_move_sale').on(t.saleId),
    index('held_move_receipt').on(t.receiptId),
    index('held_move_day').on(t.onDay),
  ],
)

/** What is held now, kept by a trigger from the moves and never below zero. */
export const held = pgTable(
  'held',
  {
    id: identity(),
    customerId: integer()
      .notNull()
      .references(() => customer.id),
    saleId: integer().references(() => sale.id),
    kind: text({ enum: HELD_KINDS }).notNull(),
    amount: minor().notNull(),
  },
  (t) => [
    unique('held_place').on(t.customerId, t.saleId, t.kind).nullsNotDistinct(),
    index('held_sale').on(t.saleId),
    check('held_not_below_zero', sql`${t.amount} >= 0`),
  ],
)
