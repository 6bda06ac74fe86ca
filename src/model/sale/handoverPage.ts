import { listPlaces } from '@/data/queries/stock'
import { findHandover } from '@/data/queries/handover'
import { sayTaken, tellsWhere } from '@/core/names'
import { readEntriesOf } from '../books/entry'
import type { Where } from '../where'
import { handoverView } from './handoverView'

/** A handover with what it posted, its parcels, and from where its pieces came; null where there is none. */
export const readHandover = async (where: Where, id: number) => {
  const paper = await findHandover(where.db, id, where.currency)
  if (!paper) return null
  const [posted, view, places] = await Promise.all([
    readEntriesOf(where, { kind: 'handover', id }),
    handoverView(where.db, id, where.currency),
    listPlaces(where.db),
  ])
  /** Which lots and serials, and from which places where there are several; by the line's id. */
  const pieces = new Map(
    view.lines.map((l) => [
      l.lineId,
      l.from
        .map((f) => ({ ...f, place: places.length > 1 ? (places.find((p) => p.id === f.placeId)?.name ?? '') : '' }))
        .filter(tellsWhere)
        .map(sayTaken)
        .join('; '),
    ]),
  )
  return { paper, posted, view, pieces, places }
}
