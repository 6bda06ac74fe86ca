import { ZERO, type Decimal } from '@/core/money'
import type { PickState } from '@/core/kinds'
import { findGoods } from '@/data/queries/goods'
import { listParcels } from '@/data/queries/parcel'
import { listPicks, type PickRow } from '@/data/queries/pick'
import { findSales } from '@/data/queries/sales'
import { listSaleLines } from '@/data/queries/saleLine'
import { listPlaces } from '@/data/queries/stock'
import type { Where } from '../where'
import { pickedOf, pickViews } from './pickView'

/** A pick list as it stands in the list of them. */
export interface PickOnList extends Omit<PickRow, 'lines'> {
  readonly wanted: Decimal
  readonly picked: Decimal
}

/** Pick lists, the newest first; those in a state. */
export const readPicks = async ({ db }: Where, of: { readonly state?: PickState }): Promise<readonly PickOnList[]> =>
  (await listPicks(db, of)).map(({ lines, ...p }) => ({
    ...p,
    wanted: lines.reduce((sum, l) => sum.plus(l.wanted), ZERO),
    picked: lines.reduce((sum, l) => sum.plus(pickedOf(l)), ZERO),
  }))

/** Everything the page of a pick list shows; null where there is none. */
export const readPickPage = async ({ db, currency }: Where, id: number) => {
  const [pick] = await listPicks(db, { id })
  const [view] = await pickViews(db, { id }, currency)
  if (!pick || !view) return null
  const [places, saleLines, [sale], parcels, goods] = await Promise.all([
    listPlaces(db),
    listSaleLines(db, [pick.saleId]),
    findSales(db, [pick.saleId], currency),
    listParcels(db, { pickIds: [id] }, currency),
    findGoods(
      db,
      pick.lines.map((l) => l.goodsId),
    ),
  ])
  const lines = view.lines.map((l, i) => {
    const thing = goods.get(l.goodsId)
    return {
      ...l,
      code: thing?.code ?? '',
      barcode: thing?.barcode ?? '',
      track: thing?.track ?? ('none' as const),
      description: pick.lines[i]?.description ?? l.name,
    }
  })
  /** What goes into parcels: lines that are no kit, as far as they are picked. */
  const whole = saleLines.flatMap((l) => {
    const mine = pick.lines.filter((p) => p.lineId === l.id)
    return mine.length === 0 || l.kind === 'kit'
      ? []
      : [
          {
            lineId: l.id,
            description: l.description,
            picked: mine.reduce((sum, p) => sum.plus(pickedOf(p)), ZERO).toString(),
          },
        ]
  })
  return { pick, lines, whole, places, parcels, address: sale?.deliverTo ?? '' }
}
