import { SETTLE_KINDS, STATEMENT_FORMATS, type CsvFormat } from '@/core/bank'
import { sql } from 'drizzle-orm'
import { boolean, check, index, integer, jsonb, pgTable, text, unique } from 'drizzle-orm/pg-core'
import { identity, minor, onDay } from './columns'
import { account, entry } from './ledger'
import { taxCode } from './tax'

/** An account at a bank or card company, and the account in the books that it must agree with. */
export const bankAccount = pgTable('bank_account', {
  id: identity(),
  name: text().notNull(),
  accountId: integer()
    .notNull()
    .unique()
    .references(() => account.id),
  /** By what its statements name it; empty until the first one says so. */
  number: text().notNull().default(''),
  /** How its bank writes tables. */
  format: jsonb().$type<CsvFormat>(),
  /** From this day on its statements come by themselves; and the day through which they came. */
  feedSince: onDay(),
  fedThrough: onDay(),
})

/** A statement as it came: its lines are rows of `bank_line`, those known from earlier files are counted alone. */
export const bankStatement = pgTable(
  'bank_statement',
  {
    id: identity(),
    bankAccountId: integer()
      .notNull()
      .references(() => bankAccount.id),
    name: text().notNull().default(''),
    format: text({ enum: STATEMENT_FORMATS }).notNull(),
    importedOn: onDay().notNull(),
    fromDay: onDay().notNull(),
    /** The day its closing balance is of. */
    through: onDay().notNull(),
    opening: minor(),
    closing: minor(),
    doubles: integer().notNull().default(0),
    /** Every line is settled and the balances agree: nothing of it changes any more. */
    doneOn: onDay(),
  },
  (t) => [index('bank_statement_account').on(t.bankAccountId, t.through)],
)

/** A line of a statement: positive came in. Never changed. */
export const bankLine = pgTable(
  'bank_line',
  {
    id: identity(),
    statementId: integer()
      .notNull()
      .references(() => bankStatement.id),
    bankAccountId: integer()
      .notNull()
      .references(() => bankAccount.id),
    onDay: onDay().notNull(),
    amount: minor().notNull(),
    text: text().notNull(),
    bankId: text().notNull(),
    /** By what it is known again. */
    key: text().notNull(),
  },
  (t) => [
    unique('bank_line_once').on(t.bankAccountId, t.key),
    index('bank_line_statement').on(t.statementId),
    check('bank_line_not_zero', sql`${t.amount} <> 0`),
  ],
)

/** What a line is, or a part of it: an entry on its account, posted before or by the match itself. */
export const bankMatch = pgTable(
  'bank_match',
  {
    id: identity(),
    lineId: integer()
      .notNull()
      .references(() => bankLine.id),
    kind: text({ enum: SETTLE_KINDS }).notNull(),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
    /** Without sign. */
    amount: minor().notNull(),
    /** The document that the match made, by its kind and id; it is taken back with the match. */
    made: text({ enum: ['receipt', 'supplier-payment', 'banking-slip', 'card-settlement', 'entry'] }),
    madeId: integer(),
    /** What its text meant, to be learned from. */
    accountId: integer().references(() => account.id),
    taxCodeId: integer().references(() => taxCode.id),
  },
  (t) => [
    index('bank_match_line').on(t.lineId),
    index('bank_match_entry').on(t.entryId),
    check('bank_match_positive', sql`${t.amount} > 0`),
  ],
)

/** What a text of the bank means, as the owner said. */
export const bankRule = pgTable('bank_rule', {
  id: identity(),
  contains: text().notNull().unique(),
  accountId: integer()
    .notNull()
    .references(() => account.id),
  taxCodeId: integer().references(() => taxCode.id),
  /** It is posted by itself when a statement comes. */
  always: boolean().notNull().default(false),
})

/** Tax in what was bought without a bill: of an entry, by its code. */
export const purchaseTax = pgTable(
  'purchase_tax',
  {
    id: identity(),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
    onDay: onDay().notNull(),
    taxCodeId: integer()
      .notNull()
      .references(() => taxCode.id),
    net: minor().notNull(),
    tax: minor().notNull(),
  },
  (t) => [index('purchase_tax_day').on(t.onDay), index('purchase_tax_entry').on(t.entryId)],
)
