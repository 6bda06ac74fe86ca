import { toDecimalString } from '@/core/money'
import { present } from '@/core/present'
import type { Db } from '@/data/connect'
import { findHandover } from '@/data/queries/handover'
import { listParcels } from '@/data/queries/parcel'
import { listMovesOfHandovers } from '@/data/queries/stock'
import { viewOfParcel } from '../parcel/pickView'
import { pieceNames } from '../goods/pieceNames'
import { togetherIn } from '../goods/together'

/** A handover as the HTTP interface answers it: what went of each line, what it cost, and from where it was taken. */
export const handoverView = async (db: Db, id: number, currency: string) => {
  const paper = present(await findHandover(db, id, currency))
  const [moves, parcels] = await Promise.all([
    listMovesOfHandovers(db, [id], currency),
    listParcels(db, { handoverIds: [id] }, currency),
  ])
  const named = await pieceNames(db, moves)
  return {
    id: paper.id,
    number: paper.number,
    saleId: paper.saleId,
    on: paper.on,
    by: paper.by,
    direction: paper.direction,
    lines: paper.lines.map((l) => ({
      lineId: l.saleLineId,
      quantity: l.quantity.toString(),
      cost: toDecimalString(l.cost),
      from: togetherIn(
        moves.filter((m) => m.saleLineId === l.saleLineId).map((m) => ({ ...m, quantity: m.quantity.abs() })),
        named,
      ).map((f) => ({ goodsId: f.goodsId, placeId: f.placeId, ...f.pieces, quantity: f.quantity.toString() })),
    })),
    parcels: parcels.map(viewOfParcel),
  }
}
