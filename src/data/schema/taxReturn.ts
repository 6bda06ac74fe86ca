import { TAX_BASES, type FiledTaxRow } from '@/core/tax'
import { sql } from 'drizzle-orm'
import { check, index, integer, jsonb, pgTable, text } from 'drizzle-orm/pg-core'
import { identity, minor, onDay } from './columns'
import { entry } from './ledger'

/** Tax of a period for the authority: a draft until it is filed, and fixed then. */
export const taxReturn = pgTable(
  'tax_return',
  {
    id: identity(),
    fromDay: onDay().notNull(),
    through: onDay().notNull(),
    basis: text({ enum: TAX_BASES }).notNull(),
    filedOn: onDay(),
    /** Its rows as they were filed. */
    rows: jsonb().$type<readonly FiledTaxRow[]>(),
    /** The last entry there was then: what is dated in its days and posted later falls into the next return. */
    lastEntryId: integer(),
    paidOn: onDay(),
    paid: minor(),
    entryId: integer().references(() => entry.id),
  },
  (t) => [
    check('tax_return_forwards', sql`${t.fromDay} <= ${t.through}`),
    check('tax_return_filed_whole', sql`(${t.filedOn} is null) = (${t.rows} is null)`),
    check('tax_return_paid_when_filed', sql`${t.paidOn} is null or ${t.filedOn} is not null`),
  ],
)

/** An entry whose tax was filed: in one return, once. */
export const taxReturnEntry = pgTable(
  'tax_return_entry',
  {
    entryId: integer()
      .primaryKey()
      .references(() => entry.id),
    returnId: integer()
      .notNull()
      .references(() => taxReturn.id),
  },
  (t) => [index('tax_return_entry_return').on(t.returnId)],
)
