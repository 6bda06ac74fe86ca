import { moveStockInput } from '@/contract/inputs/goods/places'
import { refuseAt } from '@/contract/refuse'
import { negateMoney } from '@/core/money'
import { takeNumber } from '@/data/queries/numbers'
import { reserveId } from '@/data/queries/reserveId'
import { insertMoves, listPlaces } from '@/data/queries/stock'
import { insertStockTransfer } from '@/data/queries/stockPapers'
import { pieceNames } from '@/model/goods/pieceNames'
import { defineCommand, paperDay } from '../command'
import { mustNotNamePieces } from './changeStock'
import { placeNamed } from './places'
import { planLeaving } from './planLeaving'
import { stockLines } from './stockLines'

/** Carries goods from one place to another: each takes along what it cost there, and nothing is posted. */
export const moveStock = defineCommand('move-stock', moveStockInput, async (w, input) => {
  const onDay = paperDay(w, input.on)
  const places = await listPlaces(w.tx)
  const from = placeNamed(places, input.from, 'from')
  const to = placeNamed(places, input.to, 'to')
  if (from.id === to.id) refuseAt('to', `It lies in ${to.name} already. Choose another place.`)
  const lines = await stockLines(w, input.lines)
  for (const [i, line] of lines.entries()) mustNotNamePieces(line.goods, line, `lines.${i}`)
  const { moves } = await planLeaving(
    w,
    lines.map(({ goods, quantity, lot, serials }) => ({
      goods,
      quantity,
      from: [{ placeId: from.id, lot: lot?.code, serials, quantity }],
    })),
    { on: onDay },
  )
  const number = await takeNumber(w.tx, 'stock-transfer', onDay)
  const id = await reserveId(w.tx, 'stock_transfer')
  await insertStockTransfer(w.tx, { number, onDay, fromPlaceId: from.id, toPlaceId: to.id }, id)
  const arriving = moves.map((m) => ({
    ...m,
    placeId: to.id,
    quantity: m.quantity.neg(),
    value: negateMoney(m.value),
  }))
  await insertMoves(w.tx, [...moves, ...arriving], { kind: 'stock-transfer', id })
  return {
    id,
    answer: async () => {
      const named = await pieceNames(w.tx, moves)
      return {
        id,
        number,
        on: onDay,
        from: from.id,
        to: to.id,
        lines: moves.map((m) => ({
          goodsId: m.goodsId,
          ...named(m.batchId),
          quantity: m.quantity.neg().toString(),
        })),
      }
    },
  }
})
