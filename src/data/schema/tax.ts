import { integer, numeric, pgTable, text } from 'drizzle-orm/pg-core'
import { identity } from './columns'
import { account } from './ledger'

export const taxCode = pgTable('tax_code', {
  id: identity(),
  code: text().notNull().unique(),
  name: text().notNull(),
  treatment: text({ enum: ['taxed', 'zero', 'exempt'] }).notNull(),
})

export const taxComponent = pgTable('tax_component', {
  id: identity(),
  taxCodeId: integer()
    .notNull()
    .references(() => taxCode.id),
  name: text().notNull(),
  /** A fraction: 0.0825 for 8.25 %. */
  rate: numeric({ precision: 12, scale: 8 }).notNull(),
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
