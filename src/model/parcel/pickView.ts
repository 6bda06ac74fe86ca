import { decimal, toDecimalString, ZERO, type Decimal } from '@/core/money'
import type { Db } from '@/data/connect'
import { listParcels, type ParcelRow } from '@/data/queries/parcel'
import { listPicks, type PickLineRow, type PickRow } from '@/data/queries/pick'

/** How many of a line are picked, or proposed to be. */
export const pickedOf = ({ from }: Pick<PickLineRow, 'from'>): Decimal =>
  from.reduce((sum, f) => sum.plus(decimal(f.quantity)), ZERO)

/** A parcel as it is answered. */
export const viewOfParcel = (p: ParcelRow) => ({
  id: p.id,
  weight: p.weight.toString(),
  size: p.size,
  address: p.address,
  carrier: p.carrier,
  service: p.service,
  price: p.price && toDecimalString(p.price),
  tracking: p.tracking,
  state: p.state,
  sentOn: p.sentOn,
  arrivedOn: p.arrivedOn,
  lines: p.lines.map((l) => ({ lineId: l.lineId, quantity: l.quantity.toString() })),
})

export type ParcelView = ReturnType<typeof viewOfParcel>

/** A pick list as it is answered. */
export const viewOfPick = (p: PickRow, parcels: readonly ParcelRow[]) => ({
  id: p.id,
  number: p.number,
  saleId: p.saleId,
  saleNumber: p.saleNumber,
  customer: p.customer,
  on: p.on,
  state: p.state,
  handoverId: p.handoverId,
  lines: p.lines.map((l) => ({
    lineId: l.lineId,
    goodsId: l.goodsId,
    name: l.name,
    wanted: l.wanted.toString(),
    picked: pickedOf(l).toString(),
    from: [...l.from],
  })),
  parcels: parcels.filter((x) => x.pickId === p.id).map(viewOfParcel),
})
export type PickView = ReturnType<typeof viewOfPick>

/** Pick lists as they are answered. */
export const pickViews = async (
  db: Db,
  of: Parameters<typeof listPicks>[1],
  currency: string,
  part: Parameters<typeof listPicks>[2] = {},
): Promise<PickView[]> => {
  const picks = await listPicks(db, of, part)
  const parcels = await listParcels(db, { pickIds: picks.map((p) => p.id) }, currency)
  return picks.map((p) => viewOfPick(p, parcels))
}
