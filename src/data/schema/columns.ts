import type { Day } from '@/core/day'
import { bigint, date, integer, numeric } from 'drizzle-orm/pg-core'

/** The few kinds of column the whole schema is made of. */
export const identity = () => integer().primaryKey().generatedAlwaysAsIdentity()
/** Minor units of the business's currency. */
export const minor = () => bigint({ mode: 'bigint' })
/** Quantities and unit prices: four places. */
export const fourPlaces = () => numeric({ precision: 18, scale: 4 })
/** A calendar day, as ISO text. */
export const onDay = () => date({ mode: 'string' }).$type<Day>()
