import { TAX_ROUNDED_PER, type FirstStep } from '@/core/kinds'
import { sql } from 'drizzle-orm'
import { boolean, check, integer, jsonb, pgTable, primaryKey, text, timestamp } from 'drizzle-orm/pg-core'
import { identity, minor, onDay } from './columns'

/** The one business this database keeps. */
export const business = pgTable(
  'business',
  {
    id: integer().primaryKey().default(1),
    name: text().notNull(),
    currency: text().notNull(),
    /** The BCP 47 tag of how numbers are written and typed dates are read. */
    locale: text().notNull().default('en-US'),
    /** By a name of the IANA time zones; empty for where the program runs. */
    timeZone: text().notNull().default(''),
    openedOn: onDay().notNull(),
    passphraseHash: text().notNull(),
    pricesIncludeTax: boolean().notNull().default(false),
    taxRoundedPer: text({ enum: TAX_ROUNDED_PER }).notNull().default('document'),
    /** The last day of the last closed period. */
    closedThrough: onDay(),
    /** How long an estimate is good, in days. */
    estimateDays: integer().notNull().default(30),
    address: text().notNull().default(''),
    phone: text().notNull().default(''),
    /** Whom mail comes from. */
    email: text().notNull().default(''),
    /** Above and below every paper. */
    header: text().notNull().default(''),
    footer: text().notNull().default(''),
    /** What the customer agrees to with the estimate. */
    conditions: text().notNull().default(''),
    /** By what the tax office knows the business; on every document. */
    taxNumber: text().notNull().default(''),
    /** The account money is to be paid to: IBAN, and the BIC of its bank where one is needed. */
    iban: text().notNull().default(''),
    bic: text().notNull().default(''),
    /** Any other way to pay, in the owner's words: whom checks are made out to, routing numbers. */
    paymentDetails: text().notNull().default(''),
    /** The last day on which everything was exported. */
    exportedOn: onDay(),
    /** First steps the owner does not need. */
    stepsSkipped: text()
      .array()
      .$type<FirstStep[]>()
      .notNull()
      .default(sql`'{}'`),
    /** The colour of headings and rules on papers. */
    colour: text().notNull().default('#1f2327'),
    markFileId: integer(),
    paperSize: text({ enum: ['A4', 'letter'] })
      .notNull()
      .default('A4'),
    /** Kinds of sale, as the owner tells them apart. */
    kinds: text()
      .array()
      .notNull()
      .default(sql`'{sales,repairs,rental}'`),
    /** A mail server; empty for the mail stand-in. */
    smtpUrl: text().notNull().default(''),
    /** Tax is owed when money comes ahead, not first with the bill. */
    taxOnDeposits: boolean().notNull().default(false),
    /** Tax comes back when a debt is written off. */
    taxBackOnBadDebts: boolean().notNull().default(true),
    /** The smallest coin in minor units; 1 where every amount can be paid. */
    smallestCoin: integer().notNull().default(1),
    /** The last days of the first three columns of what is late. */
    ageLimits: integer()
      .array()
      .notNull()
      .default(sql`'{30,60,90}'`),
    /** How arrangements begin where nothing else is said; parsed by Zod. */
    usualArrangements: jsonb()
      .notNull()
      .default(sql`'{}'`),
    /** Reminders: so many days after the due date each, rising. */
    reminderDays: integer()
      .array()
      .notNull()
      .default(sql`'{7,21,35}'`),
    /** For a cheque that comes back. */
    bounceFee: minor()
      .notNull()
      .default(sql`0`),
    /** No new goods on credit when something is late by more days than this. */
    stopSupplyDays: integer().notNull().default(60),
    shopfrontOpen: boolean().notNull().default(false),
    /** A link to a sale opens everything of its customer. */
    linksOpenAll: boolean().notNull().default(false),
    /** The demo fills the passphrase in by itself. */
    demoPassphrase: text(),
  },
  (t) => [check('one_business', sql`${t.id} = 1`)],
)

/** Each closing of the books through a day, and each reopening, with its reason. Never changed. */
export const closing = pgTable('closing', {
  id: identity(),
  kind: text({ enum: ['closed', 'reopened'] }).notNull(),
  /** The last closed day from then on; none where all is open. */
  through: onDay(),
  reason: text().notNull().default(''),
  onDay: onDay().notNull(),
  at: timestamp({ withTimezone: true }).notNull().defaultNow(),
})

export const session = pgTable('session', {
  /** By which it is named where it is ended from elsewhere. */
  id: integer().generatedAlwaysAsIdentity().notNull().unique(),
  /** In which program it was opened, as that says of itself. */
  browser: text().notNull().default(''),
  createdAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
  tokenHash: text().primaryKey(),
  expiresAt: timestamp({ withTimezone: true }).notNull(),
  /** When it was last used, to the minute: it ends when nobody does for long. */
  seenAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
  /** When the passphrase was last typed in it: some things ask for it again. */
  provedAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
})

export const apiToken = pgTable('api_token', {
  id: identity(),
  name: text().notNull(),
  tokenHash: text().notNull().unique(),
  createdAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
  /** It opens nothing after this. */
  expiresAt: timestamp({ withTimezone: true })
    .notNull()
    .default(sql`now() + interval '1 year'`),
  /** It may look, and change nothing. */
  readOnly: boolean().notNull().default(false),
  usedAt: timestamp({ withTimezone: true }),
  revokedAt: timestamp({ withTimezone: true }),
})

/** A money command's key and its first answer: the same key again gets the same answer. */
export const command = pgTable('command', {
  key: text().primaryKey(),
  fingerprint: text().notNull(),
  answer: jsonb(),
  createdAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
})

/** The last number given in a series and year (0 where a series runs on over the years). */
export const numberSeries = pgTable(
  'number_series',
  { series: text().notNull(), year: integer().notNull(), last: integer().notNull() },
  (t) => [primaryKey({ columns: [t.series, t.year] })],
)
