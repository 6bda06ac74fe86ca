import type { Decimal } from '@/core/money'
import type { PieceNames } from './pieceNames'

interface Piece {
  readonly goodsId: number
  readonly placeId: number
  readonly batchId: number | null
  readonly quantity: Decimal
}

/** So many of a thing of a place and lot, with the serials where they have some. */
export interface Together {
  readonly goodsId: number
  readonly placeId: number
  readonly quantity: Decimal
  readonly pieces: { readonly lot: string | null; readonly serials: readonly string[] }
}

/** What is taken, the serials of a place and the layers of a lot together. */
export const togetherIn = (
  from: readonly Piece[],
  named: (batchId: number | null) => PieceNames,
): readonly Together[] => {
  const rows = new Map<string, Together>()
  for (const { goodsId, placeId, batchId, quantity } of from) {
    const { lot, serial } = named(batchId)
    const key = `${goodsId}:${placeId}:${lot ?? ''}`
    const before = rows.get(key)
    rows.set(key, {
      goodsId,
      placeId,
      quantity: before ? before.quantity.plus(quantity) : quantity,
      pieces: { lot, serials: [...(before?.pieces.serials ?? []), ...(serial === null ? [] : [serial])] },
    })
  }
  return [...rows.values()]
}
