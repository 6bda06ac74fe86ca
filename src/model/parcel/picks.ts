import { ZERO, type Decimal } from '@/core/money'
import type { PickState } from '@/core/kinds'
import { present } from '@/core/present'
import { listParcels } from '@/data/queries/parcel'
import type { Part } from '@/data/queries/inOrder'
import { listPicks, type PickRow } from '@/data/queries/pick'
import { findSales } from '@/data/queries/sales'
import { listPlaces } from '@/data/queries/stock'
import type { Where } from '../where'
import { readPickedWhole } from './pickedWhole'
import { pickedOf, viewOfPick } from './pickView'

/** A pick list as it stands in the list of them. */
export interface PickOnList extends Omit<PickRow, 'lines'> {
  readonly wanted: Decimal
  readonly picked: Decimal
}

/** Pick lists, the newest first; those in a state. */
export const readPicks = async (
  { db }: Where,
  of: { readonly state?: PickState },
  part: Part,
): Promise<readonly PickOnList[]> =>
  (await listPicks(db, of, part)).map(({ lines, ...p }) => ({
    ...p,
    wanted: lines.reduce((sum, l) => sum.plus(l.wanted), ZERO),
    picked: lines.reduce((sum, l) => sum.plus(pickedOf(l)), ZERO),
  }))

/** Everything the page of a pick list shows; null where there is none. */
export const readPickPage = async ({ db, currency }: Where, id: number) => {
  const [pick] = await listPicks(db, { id })
  if (!pick) return null
  const [places, [sale], parcels, whole] = await Promise.all([
    listPlaces(db),
    findSales(db, [pick.saleId], currency),
    listParcels(db, { pickIds: [id] }, currency),
    readPickedWhole(db, pick),
  ])
  const lines = viewOfPick(pick, parcels).lines.map((view, i) => {
    const { code, barcode, track, description } = present(pick.lines[i])
    return { ...view, code, barcode, track, description }
  })
  return { pick, lines, whole, places, parcels, address: sale?.deliverTo ?? '' }
}
