import { adjustStockInput } from '@/contract/inputs/goods/places'
import { postStockChange } from '@/core/ledger'
import { addMoney, sumMoney, toDecimalString, ZERO, zeroMoney, type Decimal } from '@/core/money'
import type { Day } from '@/core/day'
import { unitCost, valueAt, type Shelf } from '@/core/stock'
import type { Goods } from '@/data/queries/goods'
import { takeNumber } from '@/data/queries/numbers'
import { reserveId } from '@/data/queries/reserveId'
import { insertMoves, insertStockAdjustment, type MoveRow } from '@/data/queries/stock'
import { defineCommand, paperDay, type Work } from '../command'
import { placeNamed } from './places'
import { planLeaving } from './planLeaving'
import { shelvesOn, type PlacedShelf } from './shelvesOn'
import { stockLines } from './stockLines'

interface Change {
  readonly goods: Goods
  readonly change: Decimal
  readonly placeId?: number
  readonly unitCost?: Decimal
}

/** What was found comes in at the cost given, else at what the thing cost on average that day, wherever it lies. */
const comesIn = async (
  w: Work,
  shelves: readonly PlacedShelf[],
  { goods, change, placeId, unitCost: given }: Change,
  on: Day,
): Promise<MoveRow> => {
  const place = await placeNamed(w, placeId, 'placeId')
  const all = shelves
    .filter((s) => s.goodsId === goods.id)
    .reduce<Shelf>(
      (sum, { shelf }) => ({
        quantity: sum.quantity.plus(shelf.quantity),
        value: addMoney(sum.value, shelf.value),
      }),
      { quantity: ZERO, value: zeroMoney(w.currency) },
    )
  const value = valueAt(given ?? unitCost(all), change, w.currency)
  return { goodsId: goods.id, placeId: place.id, on, quantity: change, value }
}

/** Goods found, broken, used in the workshop or given away: what it changes goes to stock adjustments, with its reason. */
export const adjustStock = defineCommand('adjust-stock', adjustStockInput, async (w, input) => {
  const onDay = paperDay(w, input.on)
  for (const [i, l] of input.lines.entries())
    if (l.placeId !== undefined) await placeNamed(w, l.placeId, `lines.${i}.placeId`)
  const lines = await stockLines(w, input.lines)
  // All of them are locked at once, in one order, so that two hands never wait for each other.
  const shelves = await shelvesOn(
    w,
    lines.map((l) => l.goods.id),
    onDay,
  )
  const { moves: left } = await planLeaving(
    w,
    lines
      .filter((l) => l.change.lt(0))
      .map(({ goods, change, placeId }) => ({ goods, quantity: change.negated(), placeId })),
    { on: onDay, partsOf: new Map() },
  )
  const came: MoveRow[] = []
  for (const line of lines) if (line.change.gt(0)) came.push(await comesIn(w, shelves, line, onDay))
  const moves = [...left, ...came]
  const value = sumMoney(
    moves.map((m) => m.value),
    w.currency,
  )
  const number = await takeNumber(w.tx, 'stock-adjustment', onDay)
  const id = await reserveId(w.tx, 'stock_adjustment')
  const entry = postStockChange({ on: onDay, text: `Stock adjustment ${number}: ${input.reason}`, value })
  const entryId = entry.lines.length > 0 ? await w.post(entry, { kind: 'stock-adjustment', id }) : null
  await insertStockAdjustment(w.tx, { number, onDay, reason: input.reason, entryId }, id)
  await insertMoves(w.tx, moves, { kind: 'stock-adjustment', id })
  return {
    id,
    answer: async () => ({
      id,
      number,
      on: onDay,
      reason: input.reason,
      value: toDecimalString(value),
      lines: moves.map((m) => ({
        goodsId: m.goodsId,
        placeId: m.placeId,
        change: m.quantity.toString(),
        value: toDecimalString(m.value),
      })),
    }),
  }
})
