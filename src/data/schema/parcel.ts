import { sql } from 'drizzle-orm'
import { check, index, integer, jsonb, pgTable, text } from 'drizzle-orm/pg-core'
import { PARCEL_STATES, PICK_STATES } from '@/core/kinds'
import { fourPlaces, identity, minor, onDay } from './columns'
import { goods } from './goods'
import { handover } from './handover'
import { sale, saleLine } from './sale'

/** What is taken for a line: from which place, of which lot, which serials. Quantities as decimal strings. */
export interface PickedFrom {
  readonly placeId: number
  readonly lot: string | null
  readonly serials: readonly string[]
  readonly quantity: string
}

/** What is to be gathered for a sale, what was really picked, and the handover it became. It posts nothing. */
export const pick = pgTable(
  'pick',
  {
    id: identity(),
    number: text().notNull().unique(),
    saleId: integer()
      .notNull()
      .references(() => sale.id),
    onDay: onDay().notNull(),
    state: text({ enum: PICK_STATES }).notNull().default('to pick'),
    handoverId: integer()
      .references(() => handover.id)
      .unique(),
  },
  (t) => [
    index('pick_sale').on(t.saleId),
    index('pick_open')
      .on(t.state)
      .where(sql`${t.state} <> 'sent'`),
    check('pick_sent_is_handed_over', sql`(${t.state} = 'sent') = (${t.handoverId} is not null)`),
  ],
)

export const pickLine = pgTable(
  'pick_line',
  {
    id: identity(),
    pickId: integer()
      .notNull()
      .references(() => pick.id),
    saleLineId: integer()
      .notNull()
      .references(() => saleLine.id),
    goodsId: integer()
      .notNull()
      .references(() => goods.id),
    wanted: fourPlaces().notNull(),
    /** As it is proposed, until it is said what was really picked. */
    takenFrom: jsonb().$type<readonly PickedFrom[]>().notNull(),
  },
  (t) => [index('pick_line_pick').on(t.pickId), index('pick_line_line').on(t.saleLineId)],
)

/** A box on its way: packed for a pick, sent with a handover. */
export const parcel = pgTable(
  'parcel',
  {
    id: identity(),
    pickId: integer().references(() => pick.id),
    handoverId: integer().references(() => handover.id),
    /** In kilograms, and centimetres as `40 × 25 × 12`. */
    weight: fourPlaces().notNull(),
    size: text().notNull(),
    address: text().notNull().default(''),
    carrier: text().notNull().default(''),
    service: text().notNull().default(''),
    /** What the carrier takes for it. */
    price: minor(),
    tracking: text().notNull().default(''),
    state: text({ enum: PARCEL_STATES }).notNull().default('packed'),
    sentOn: onDay(),
    arrivedOn: onDay(),
  },
  (t) => [
    index('parcel_pick').on(t.pickId),
    index('parcel_handover').on(t.handoverId),
    index('parcel_on_its_way')
      .on(t.state)
      .where(sql`${t.state} = 'sent'`),
    check('parcel_belongs', sql`${t.pickId} is not null or ${t.handoverId} is not null`),
  ],
)

export const parcelLine = pgTable(
  'parcel_line',
  {
    id: identity(),
    parcelId: integer()
      .notNull()
      .references(() => parcel.id),
    saleLineId: integer()
      .notNull()
      .references(() => saleLine.id),
    quantity: fourPlaces().notNull(),
  },
  (t) => [index('parcel_line_parcel').on(t.parcelId)],
)
