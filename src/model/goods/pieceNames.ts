import type { Day } from '@/core/day'
import type { Db } from '@/data/connect'
import { findBatches, findBatchesNamed } from '@/data/queries/batch'

/** How pieces are told apart, as they are answered: null where they are not. */
export interface PieceNames {
  readonly lot: string | null
  readonly expires: Day | null
  readonly serial: string | null
}

const NONE: PieceNames = { lot: null, expires: null, serial: null }

/** The lot or serial of rows by their batch. */
export const pieceNames = async (
  db: Db,
  rows: readonly { readonly batchId: number | null }[],
): Promise<(batchId: number | null) => PieceNames> => {
  const batches = await findBatches(
    db,
    rows.flatMap((r) => r.batchId ?? []),
  )
  return (batchId) => {
    const batch = batchId === null ? undefined : batches.get(batchId)
    return batch ? { lot: batch.lot, expires: batch.expires, serial: batch.serial } : NONE
  }
}

/** Of goods that were searched for: the lot or serial of theirs that is called just so. */
export const piecesSearched = async (db: Db, search: string | undefined) => {
  const name = search?.trim() ?? ''
  const found =
    name === ''
      ? []
      : (await Promise.all([findBatchesNamed(db, 'serial', name), findBatchesNamed(db, 'lot', name)])).flat()
  return (goodsId: number): Pick<PieceNames, 'lot' | 'serial'> | null => {
    const batch = found.find((b) => b.goodsId === goodsId)
    return batch ? { lot: batch.lot, serial: batch.serial } : null
  }
}
