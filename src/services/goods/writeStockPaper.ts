import type { Day } from '@/core/day'
import { postStockChange } from '@/core/ledger'
import { sumMoney, toDecimalString } from '@/core/money'
import { takeNumber } from '@/data/queries/numbers'
import { reserveId } from '@/data/queries/reserveId'
import { insertMoves, type MoveRow } from '@/data/queries/stock'
import { insertStockAdjustment, insertStockCount } from '@/data/queries/stockPapers'
import { readCanGo } from '@/model/goods/canGo'
import { pieceNames } from '@/model/goods/pieceNames'
import type { Work } from '../command'

/** What moves say of their pieces, and who waited for what came in: for the answer of a count or an adjustment. */
export const tellMoves = async (w: Work, moves: readonly MoveRow[]) => {
  const came = moves.filter((m) => m.quantity.gt(0)).map((m) => m.goodsId)
  const [named, canGo] = await Promise.all([pieceNames(w.tx, moves), readCanGo(w.tx, came, w.today)])
  return {
    canGo,
    rows: moves.map((m) => ({
      goodsId: m.goodsId,
      placeId: m.placeId,
      ...named(m.batchId),
      change: m.quantity.toString(),
      value: toDecimalString(m.value),
    })),
  }
}

/** A count of a place, or an adjustment with its reason. */
type StockPaper =
  | { readonly kind: 'stock-count'; readonly on: Day; readonly placeId: number }
  | { readonly kind: 'stock-adjustment'; readonly on: Day; readonly reason: string }

/** Writes what a count or an adjustment changed: the document, its moves, and what it posts against stock adjustments. */
export const writeStockPaper = async (w: Work, moves: readonly MoveRow[], paper: StockPaper) => {
  const { kind, on } = paper
  const value = sumMoney(
    moves.map((m) => m.value),
    w.currency,
  )
  const number = await takeNumber(w.tx, kind, on)
  const id = await reserveId(w.tx, kind === 'stock-count' ? 'stock_count' : 'stock_adjustment')
  const text = paper.kind === 'stock-count' ? `Stock count ${number}` : `Stock adjustment ${number}: ${paper.reason}`
  const entry = postStockChange({ on, text, value })
  const entryId = entry.lines.length > 0 ? await w.post(entry, { kind, id }) : null
  if (paper.kind === 'stock-count')
    await insertStockCount(w.tx, { number, onDay: on, placeId: paper.placeId, entryId }, id)
  else await insertStockAdjustment(w.tx, { number, onDay: on, reason: paper.reason, entryId }, id)
  await insertMoves(w.tx, moves, { kind, id })
  return { id, number, value }
}
