import { adjustStockInput } from '@/contract/inputs/goods/places'
import { toDecimalString } from '@/core/money'
import { listPlaces } from '@/data/queries/stock'
import { defineCommand, paperDay } from '../command'
import { changeStock, mustNamePieces, mustNotNamePieces } from './changeStock'
import { placeNamed } from './places'
import { stockLines } from './stockLines'
import { tellMoves, writeStockPaper } from './writeStockPaper'

/** Goods found, broken, used in the workshop or given away: what it changes goes to stock adjustments, with its reason. */
export const adjustStock = defineCommand('adjust-stock', adjustStockInput, async (w, input) => {
  const onDay = paperDay(w, input.on)
  const places = await listPlaces(w.tx)
  const lines = await stockLines(w, input.lines)
  const at = lines.map((l, i) => placeNamed(places, l.placeId ?? l.goods.placeId ?? undefined, `lines.${i}.placeId`).id)
  for (const [i, line] of lines.entries())
    (line.change.gt(0) ? mustNamePieces : mustNotNamePieces)(line.goods, line, `lines.${i}`)
  const moves = await changeStock(
    w,
    lines.map((l, i) => ({ ...l, placeId: l.change.gt(0) ? at[i] : l.placeId })),
    { on: onDay },
  )
  const { id, number, value } = await writeStockPaper(w, moves, {
    kind: 'stock-adjustment',
    on: onDay,
    reason: input.reason,
  })
  return {
    id,
    answer: async () => {
      const { canGo, rows } = await tellMoves(w, moves)
      return {
        id,
        number,
        on: onDay,
        reason: input.reason,
        value: toDecimalString(value),
        canGo,
        lines: rows,
      }
    },
  }
})
