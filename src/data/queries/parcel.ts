import { and, asc, eq, sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import type { ParcelState } from '@/core/kinds'
import { money, type Decimal, type Money } from '@/core/money'
import { present } from '@/core/present'
import type { Db } from '../connect'
import { customer, handover, parcel, parcelLine, sale } from '../schema'
import { isOneOf } from './search'

export interface ParcelRow {
  readonly id: number
  readonly pickId: number | null
  readonly handoverId: number | null
  readonly weight: Decimal
  readonly size: string
  readonly address: string
  readonly carrier: string
  readonly service: string
  readonly price: Money | null
  readonly tracking: string
  readonly state: ParcelState
  readonly sentOn: Day | null
  readonly arrivedOn: Day | null
  readonly lines: readonly { readonly lineId: number; readonly quantity: Decimal }[]
}

const withLines = async (
  db: Db,
  rows: readonly (typeof parcel.$inferSelect)[],
  currency: string,
): Promise<ParcelRow[]> => {
  const lines =
    rows.length === 0
      ? []
      : await db
          .select()
          .from(parcelLine)
          .where(
            isOneOf(
              parcelLine.parcelId,
              rows.map((r) => r.id),
            ),
          )
          .orderBy(asc(parcelLine.id))
  return rows.map(({ price, ...r }) => ({
    ...r,
    price: price === null ? null : money(price, currency),
    lines: lines.filter((l) => l.parcelId === r.id).map((l) => ({ lineId: l.saleLineId, quantity: l.quantity })),
  }))
}

/** The parcels of picks or of handovers, in the order in which they were packed. */
export const listParcels = async (
  db: Db,
  of: { readonly pickIds: readonly number[] } | { readonly handoverIds: readonly number[] } | { readonly id: number },
  currency: string,
): Promise<ParcelRow[]> => {
  const which =
    'id' in of
      ? eq(parcel.id, of.id)
      : 'pickIds' in of
        ? isOneOf(parcel.pickId, of.pickIds)
        : isOneOf(parcel.handoverId, of.handoverIds)
  return withLines(db, await db.select().from(parcel).where(which).orderBy(asc(parcel.id)), currency)
}

/** Parcels the carrier has, to be asked where they are. */
export const listOnTheirWay = (db: Db, carrier: string) =>
  db
    .select({ id: parcel.id, service: parcel.service, address: parcel.address, sentOn: parcel.sentOn })
    .from(parcel)
    .where(and(eq(parcel.state, 'sent'), eq(parcel.carrier, carrier)))
    .orderBy(asc(parcel.id))

/** Every parcel with the sale and customer it is of, newest first. */
export const listSentParcels = async (
  db: Db,
  of: { readonly sentOn?: Day; readonly state?: ParcelState },
  currency: string,
) => {
  const rows = await db
    .select({ parcel, saleId: sale.id, saleNumber: sale.number, customer: customer.name, handover: handover.number })
    .from(parcel)
    .innerJoin(handover, eq(handover.id, parcel.handoverId))
    .innerJoin(sale, eq(sale.id, handover.saleId))
    .innerJoin(customer, eq(customer.id, sale.customerId))
    .where(and(of.sentOn ? eq(parcel.sentOn, of.sentOn) : undefined, of.state ? eq(parcel.state, of.state) : undefined))
    .orderBy(sql`${parcel.sentOn} desc, ${parcel.id} desc`)
  return rows.map(({ parcel: p, ...r }) => ({ ...p, ...r, price: p.price === null ? null : money(p.price, currency) }))
}
export type SentParcel = Awaited<ReturnType<typeof listSentParcels>>[number]

export const insertParcel = async (
  db: Db,
  row: typeof parcel.$inferInsert,
  lines: readonly { readonly lineId: number; readonly quantity: Decimal }[],
): Promise<number> => {
  const { id } = present((await db.insert(parcel).values(row).returning({ id: parcel.id }))[0])
  // Parts that go ahead of a kit are on no line of their own.
  if (lines.length > 0)
    await db.insert(parcelLine).values(lines.map((l) => ({ parcelId: id, saleLineId: l.lineId, quantity: l.quantity })))
  return id
}

export const updateParcel = async (db: Db, id: number, change: Partial<typeof parcel.$inferInsert>): Promise<void> => {
  await db.update(parcel).set(change).where(eq(parcel.id, id))
}

/** Throws away the parcels of a pick that was not sent: it is packed anew. */
export const deleteParcelsOfPick = async (db: Db, pickId: number): Promise<void> => {
  await db.execute(sql`delete from parcel_line where parcel_id in (select id from parcel where pick_id = ${pickId})`)
  await db.delete(parcel).where(eq(parcel.pickId, pickId))
}

/** How many pick lists are not sent, and how many parcels sent since a day were lost. */
export const countSending = async (db: Db, since: Day): Promise<{ readonly picks: number; readonly lost: number }> => {
  const [row] = await db.execute<{ picks: number; lost: number }>(sql`
    select (select count(*)::int from pick where state <> 'sent') as picks,
           (select count(*)::int from parcel where state = 'lost' and sent_on >= ${since}) as lost`)
  return row ?? { picks: 0, lost: 0 }
}
