import { ACCOUNT_KINDS } from '@/core/kinds'
import { sql } from 'drizzle-orm'
import {
  boolean,
  check,
  foreignKey,
  index,
  integer,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uniqueIndex,
} from 'drizzle-orm/pg-core'
import { identity, minor, onDay } from './columns'

export const account = pgTable('account', {
  id: identity(),
  code: text().notNull().unique(),
  name: text().notNull(),
  kind: text({ enum: ACCOUNT_KINDS }).notNull(),
  /** What postings call it by; see core/ledger. */
  role: text().unique(),
  /** What it holds is money: its role says so, or the account of a bank account is it (a trigger sees to that). */
  isCash: boolean().notNull().default(false),
  /** Not offered any more where an account is chosen; reports show it while it holds anything. */
  hidden: boolean().notNull().default(false),
})

/** Posted, and never changed after. Triggers see to that, and that its lines balance when the transaction ends. */
export const entry = pgTable(
  'entry',
  {
    id: identity(),
    onDay: onDay().notNull(),
    text: text().notNull(),
    /** The paper that posted it. */
    sourceKind: text().notNull(),
    sourceId: integer(),
    saleId: integer(),
    customerId: integer(),
    reversesId: integer(),
    postedAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    foreignKey({ columns: [t.reversesId], foreignColumns: [t.id] }),
    index('entry_day').on(t.onDay, t.id),
    index('entry_source').on(t.sourceKind, t.sourceId),
    index('entry_words').using('gin', sql`plain_text(${t.text}) gin_trgm_ops`),
    index('entry_sale').on(t.saleId),
    index('entry_reverses')
      .on(t.reversesId)
      .where(sql`${t.reversesId} is not null`),
    // An entry of the owner's own is reversed once.
    uniqueIndex('entry_own_reversed_once')
      .on(t.reversesId)
      .where(sql`${t.sourceKind} = 'own' and ${t.reversesId} is not null`),
  ],
)

export const entryLine = pgTable(
  'entry_line',
  {
    id: identity(),
    entryId: integer()
      .notNull()
      .references(() => entry.id),
    accountId: integer()
      .notNull()
      .references(() => account.id),
    /** The entry's day again, so that an account's lines are read in order from one index. */
    onDay: onDay().notNull(),
    /** Positive is debit, negative is credit. */
    amount: minor().notNull(),
  },
  (t) => [
    index('entry_line_entry').on(t.entryId),
    index('entry_line_account').on(t.accountId, t.onDay, t.id),
    index('entry_line_day').on(t.onDay, t.accountId),
    check('entry_line_not_zero', sql`${t.amount} <> 0`),
  ],
)

/**
 * Debits and credits by account and month, kept by a trigger: reports over years read a few hundred rows. Apart stands what of them
 * lies across from cash: in entries that moved cash, on accounts that are not cash.
 */
export const accountMonth = pgTable(
  'account_month',
  {
    accountId: integer()
      .notNull()
      .references(() => account.id),
    month: onDay().notNull(),
    debit: minor().notNull(),
    credit: minor().notNull(),
    cashDebit: minor()
      .notNull()
      .default(sql`0`),
    cashCredit: minor()
      .notNull()
      .default(sql`0`),
  },
  (t) => [primaryKey({ columns: [t.accountId, t.month] })],
)
