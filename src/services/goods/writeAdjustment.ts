import type { Day } from '@/core/day'
import { postStockChange } from '@/core/ledger'
import { sumMoney } from '@/core/money'
import { takeNumber } from '@/data/queries/numbers'
import { reserveId } from '@/data/queries/reserveId'
import { insertMoves, type MoveRow } from '@/data/queries/stock'
import { insertStockAdjustment } from '@/data/queries/stockPapers'
import type { Work } from '../command'

/** Writes what an adjustment changed: the document with its reason, its moves, and what it posts. */
export const writeAdjustment = async (
  w: Work,
  moves: readonly MoveRow[],
  { on, reason }: { readonly on: Day; readonly reason: string },
) => {
  const value = sumMoney(
    moves.map((m) => m.value),
    w.currency,
  )
  const number = await takeNumber(w.tx, 'stock-adjustment', on)
  const id = await reserveId(w.tx, 'stock_adjustment')
  const entry = postStockChange({ on, text: `Stock adjustment ${number}: ${reason}`, value })
  const entryId = entry.lines.length > 0 ? await w.post(entry, { kind: 'stock-adjustment', id }) : null
  await insertStockAdjustment(w.tx, { number, onDay: on, reason, entryId }, id)
  await insertMoves(w.tx, moves, { kind: 'stock-adjustment', id })
  return { id, number, value }
}
