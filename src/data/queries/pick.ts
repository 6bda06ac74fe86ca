import { and, asc, desc, eq, lt, ne } from 'drizzle-orm'
import type { Day } from '@/core/day'
import type { PickState } from '@/core/kinds'
import type { Decimal } from '@/core/money'
import { present } from '@/core/present'
import { rowsBy } from '@/core/rowsBy'
import type { Db } from '../connect'
import { customer, goods, pick, pickLine, sale, saleLine } from '../schema'
import type { PickedFrom } from '../schema/parcel'
import { deleteParcelsOfPick } from './parcel'
import type { Part } from './inOrder'
import { isOneOf } from './search'

export type { PickedFrom }

export interface PickRow {
  readonly id: number
  readonly number: string
  readonly saleId: number
  readonly saleNumber: number
  readonly customer: string
  readonly on: Day
  readonly state: PickState
  readonly handoverId: number | null
  readonly wantedBy: Day | null
  readonly lines: readonly PickLineRow[]
}

export interface PickLineRow {
  readonly id: number
  readonly lineId: number
  readonly description: string
  readonly goodsId: number
  readonly code: string
  readonly barcode: string
  readonly name: string
  readonly track: 'none' | 'lot' | 'serial'
  readonly wanted: Decimal
  readonly from: readonly PickedFrom[]
}

/** Pick lists, the newest first: one, some, those of a sale, or those in a state. */
export const listPicks = async (
  db: Db,
  of: {
    readonly id?: number
    readonly ids?: readonly number[]
    readonly saleId?: number
    readonly state?: PickState
    readonly open?: boolean
  },
  part: Part = {},
): Promise<PickRow[]> => {
  const all = db
    .select({ pick, saleNumber: sale.number, wantedBy: sale.wantedBy, customer: customer.name })
    .from(pick)
    .innerJoin(sale, eq(sale.id, pick.saleId))
    .innerJoin(customer, eq(customer.id, sale.customerId))
    .where(
      and(
        of.id === undefined ? undefined : eq(pick.id, of.id),
        of.ids === undefined ? undefined : isOneOf(pick.id, of.ids),
        of.saleId === undefined ? undefined : eq(pick.saleId, of.saleId),
        of.state === undefined ? undefined : eq(pick.state, of.state),
        of.open ? ne(pick.state, 'sent') : undefined,
        part.after === undefined ? undefined : lt(pick.id, part.after),
      ),
    )
    .orderBy(desc(pick.id))
    .offset(part.offset ?? 0)
  const rows = await (part.limit === undefined ? all : all.limit(part.limit))
  const lines =
    rows.length === 0
      ? []
      : await db
          .select({
            line: pickLine,
            description: saleLine.description,
            code: goods.code,
            barcode: goods.barcode,
            name: goods.name,
            track: goods.track,
          })
          .from(pickLine)
          .innerJoin(saleLine, eq(saleLine.id, pickLine.saleLineId))
          .innerJoin(goods, eq(goods.id, pickLine.goodsId))
          .where(
            isOneOf(
              pickLine.pickId,
              rows.map((r) => r.pick.id),
            ),
          )
          .orderBy(asc(pickLine.id))
  const linesOf = rowsBy(lines, (l) => l.line.pickId)
  return rows.map(({ pick: p, ...r }) => ({
    id: p.id,
    number: p.number,
    saleId: p.saleId,
    on: p.onDay,
    state: p.state,
    handoverId: p.handoverId,
    ...r,
    lines: (linesOf.get(p.id) ?? []).map(({ line, ...named }) => ({
      id: line.id,
      lineId: line.saleLineId,
      goodsId: line.goodsId,
      wanted: line.wanted,
      from: line.takenFrom,
      ...named,
    })),
  }))
}

/** Locks a pick list, so that two hands do not pack or send it at once. */
export const lockPick = async (db: Db, id: number): Promise<boolean> =>
  (await db.select({ id: pick.id }).from(pick).where(eq(pick.id, id)).for('update')).length > 0

export const insertPick = async (
  db: Db,
  row: typeof pick.$inferInsert,
  lines: readonly Omit<typeof pickLine.$inferInsert, 'pickId'>[],
): Promise<number> => {
  const { id } = present((await db.insert(pick).values(row).returning({ id: pick.id }))[0])
  await db.insert(pickLine).values(lines.map((l) => ({ ...l, pickId: id })))
  return id
}

export const updatePick = async (db: Db, id: number, change: Partial<typeof pick.$inferInsert>): Promise<void> => {
  await db.update(pick).set(change).where(eq(pick.id, id))
}

export const updatePickLine = async (db: Db, id: number, takenFrom: readonly PickedFrom[]): Promise<void> => {
  await db.update(pickLine).set({ takenFrom }).where(eq(pickLine.id, id))
}

/** Fewer are wanted of a line, or none. */
export const trimPickLine = async (
  db: Db,
  id: number,
  now: Pick<typeof pickLine.$inferInsert, 'wanted' | 'takenFrom'>,
): Promise<void> => {
  await db.update(pickLine).set(now).where(eq(pickLine.id, id))
}

/** Throws a pick list away, with the parcels that were packed for it. */
export const deletePick = async (db: Db, id: number): Promise<void> => {
  await deleteParcelsOfPick(db, id)
  await db.delete(pickLine).where(eq(pickLine.pickId, id))
  await db.delete(pick).where(eq(pick.id, id))
}
