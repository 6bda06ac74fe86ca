import { sql } from 'drizzle-orm'
import {
  boolean,
  check,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  timestamp,
  unique,
  uniqueIndex,
} from 'drizzle-orm/pg-core'
import { identity, minor, onDay } from './columns'
import { invoice } from './invoice'
import { account, entry } from './ledger'
import { due, receipt } from './money'
import { customer } from './people'
import { sale } from './sale'
import { taxCode, taxComponent } from './tax'

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
    endedAs: text({ enum: ['paid off', 'rescheduled'] }),
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
    why: text({ enum: ['discount', 'write-off', 'ahead'] }).notNull(),
    /** Whose money ahead it is on. */
    saleId: integer().references(() => sale.id),
    receiptId: integer().references(() => receipt.id),
    /** The due that the discount was taken on, or that was written off. */
    dueId: integer().references(() => due.id),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
  },
  (t) => [
    index('tax_move_due').on(t.dueId),
    index('tax_move_entry').on(t.entryId),
    index('tax_move_day').on(t.onDay),
    index('tax_move_sale').on(t.saleId),
    index('tax_move_receipt').on(t.receiptId),
  ],
)

/** A debt given up. */
export const writeOff = pgTable(
  'write_off',
  {
    id: identity(),
    number: text().notNull().unique(),
    customerId: integer()
      .notNull()
      .references(() => customer.id),
    saleId: integer()
      .notNull()
      .references(() => sale.id),
    onDay: onDay().notNull(),
    amount: minor().notNull(),
    reason: text().notNull(),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
  },
  (t) => [index('write_off_sale').on(t.saleId), check('write_off_positive', sql`${t.amount} > 0`)],
)

/** A debt that was written off and is owed again after all. */
export const writeOffRecovery = pgTable('write_off_recovery', {
  writeOffId: integer()
    .primaryKey()
    .references(() => writeOff.id),
  onDay: onDay().notNull(),
  amount: minor().notNull(),
  reason: text().notNull(),
  entryId: integer()
    .notNull()
    .references(() => entry.id),
})

/** Held money that moved from one place to another without leaving the shop, or was kept as a fee. */
export const heldTransfer = pgTable('held_transfer', {
  id: identity(),
  number: text().notNull().unique(),
  kind: text({ enum: ['moved', 'kept'] }).notNull(),
  customerId: integer()
    .notNull()
    .references(() => customer.id),
  fromSaleId: integer().references(() => sale.id),
  toSaleId: integer().references(() => sale.id),
  onDay: onDay().notNull(),
  amount: minor().notNull(),
  reason: text().notNull().default(''),
  entryId: integer()
    .notNull()
    .references(() => entry.id),
})

/** A move of held money, or a fee kept of it, that was a mistake: it lies where it lay before. */
export const heldTransferReversal = pgTable('held_transfer_reversal', {
  transferId: integer()
    .primaryKey()
    .references(() => heldTransfer.id),
  onDay: onDay().notNull(),
  reason: text().notNull(),
  entryId: integer()
    .notNull()
    .references(() => entry.id),
})

/** Cash put in (positive) or taken out (negative) of the drawer, not by a sale. */
export const drawerMove = pgTable(
  'drawer_move',
  {
    id: identity(),
    number: text().notNull().unique(),
    onDay: onDay().notNull(),
    amount: minor().notNull(),
    reason: text().notNull(),
    accountId: integer()
      .notNull()
      .references(() => account.id),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
  },
  (t) => [index('drawer_move_day').on(t.onDay)],
)

/** The drawer as it was counted at the close of a day. */
export const drawerCount = pgTable(
  'drawer_count',
  {
    id: identity(),
    number: text().notNull().unique(),
    onDay: onDay().notNull(),
    expected: minor().notNull(),
    counted: minor().notNull(),
    /** How many of each coin and note, by its worth in minor units. */
    pieces: jsonb().notNull(),
    /** None where the count agrees. */
    entryId: integer().references(() => entry.id),
    countedAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [index('drawer_count_day').on(t.onDay)],
)

/** Cash and cheques taken to the bank together. */
export const bankingSlip = pgTable(
  'banking_slip',
  {
    id: identity(),
    number: text().notNull().unique(),
    onDay: onDay().notNull(),
    cash: minor().notNull(),
    cheques: minor().notNull(),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
  },
  (t) => [check('banking_slip_positive', sql`${t.cash} >= 0 and ${t.cheques} >= 0 and ${t.cash} + ${t.cheques} > 0`)],
)

/** Card takings as they arrived at the bank, less fees. */
export const cardSettlement = pgTable(
  'card_settlement',
  {
    id: identity(),
    number: text().notNull().unique(),
    onDay: onDay().notNull(),
    gross: minor().notNull(),
    fees: minor().notNull(),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
  },
  (t) => [check('card_settlement_positive', sql`${t.gross} > 0 and ${t.fees} >= 0 and ${t.fees} <= ${t.gross}`)],
)

/** A receipt goes to the bank once: its cheque on a slip, or its card takings in a settlement. */
export const banked = pgTable(
  'banked',
  {
    receiptId: integer()
      .primaryKey()
      .references(() => receipt.id),
    slipId: integer().references(() => bankingSlip.id),
    settlementId: integer().references(() => cardSettlement.id),
  },
  (t) => [
    index('banked_slip').on(t.slipId),
    index('banked_settlement').on(t.settlementId),
    check('banked_one_way', sql`(${t.slipId} is null) <> (${t.settlementId} is null)`),
  ],
)

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

/** A list as the owner wants to find it again: the place, and what stands in its address. */
export const savedView = pgTable(
  'saved_view',
  { id: identity(), place: text().notNull(), name: text().notNull(), query: text().notNull() },
  (t) => [unique('saved_view_name').on(t.place, t.name)],
)
