import type { Day } from '@/core/day'
import { REPEAT_EVERY } from '@/core/kinds'
import { decimal, type Decimal } from '@/core/money'
import { sql } from 'drizzle-orm'
import { bigint, customType, date, integer, text } from 'drizzle-orm/pg-core'

/** The few kinds of column the whole schema is made of. */
export const identity = () => integer().primaryKey().generatedAlwaysAsIdentity()
/** Minor units of the business's currency. */
export const minor = () => bigint({ mode: 'bigint' })
/** A decimal from the column on: never a text that is taken for a number, never floating point. */
const decimalOf = (precision: number, scale: number) =>
  customType<{ data: Decimal; driverData: string }>({
    dataType: () => `numeric(${precision}, ${scale})`,
    fromDriver: (text) => decimal(text),
    toDriver: (value) => value.toFixed(scale),
  })
/** Quantities and unit prices: four places. */
export const fourPlaces = decimalOf(18, 4)
/** Percentages, 0 to 100. */
export const percentage = decimalOf(7, 4)
/** A rate as a fraction: 0.0825 for 8.25 %. */
export const rateOf = decimalOf(12, 8)
/** A calendar day, as ISO text. */
export const onDay = () => date({ mode: 'string' }).$type<Day>()
/** Zero, where nothing else is said. */
export const ZERO_BY_DEFAULT = sql<Decimal>`'0'`
/** How something comes again: how often, from when, until when or how many times, and how far it has come. */
export const rhythm = () => ({
  every: text({ enum: REPEAT_EVERY }).notNull(),
  firstOn: onDay().notNull(),
  /** The next day of it; null when it has ended. */
  nextOn: onDay(),
  done: integer().notNull().default(0),
  untilDay: onDay(),
  times: integer(),
  stoppedOn: onDay(),
})
