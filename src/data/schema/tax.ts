import { TREATMENTS } from '@/core/kinds'
import { foreignKey, integer, pgTable, text, unique } from 'drizzle-orm/pg-core'
import { identity, onDay, rateOf } from './columns'
import { account } from './ledger'

export const taxCode = pgTable(
  'tax_code',
  {
    id: identity(),
    code: text().notNull(),
    name: text().notNull(),
    treatment: text({ enum: TREATMENTS }).notNull(),
    /** Why nothing is charged, as documents say it. */
    reason: text().notNull().default(''),
    /** Rates that changed are another row of the code: its first row, and the first day of its rates. */
    rateOf: integer(),
    fromDay: onDay(),
  },
  (t) => [
    foreignKey({ columns: [t.rateOf], foreignColumns: [t.id] }),
    unique('tax_code_once').on(t.code, t.fromDay).nullsNotDistinct(),
  ],
)

export const taxComponent = pgTable('tax_component', {
  id: identity(),
  taxCodeId: integer()
    .notNull()
    .references(() => taxCode.id),
  name: text().notNull(),
  /** A fraction: 0.0825 for 8.25 %. */
  rate: rateOf().notNull(),
  accountId: integer()
    .notNull()
    .references(() => account.id),
})

/** Where goods go decides what tax they carry: what is taxed takes the area's code there. */
export const taxArea = pgTable('tax_area', {
  id: identity(),
  code: text().notNull().unique(),
  name: text().notNull(),
  taxCodeId: integer()
    .notNull()
    .references(() => taxCode.id),
})
