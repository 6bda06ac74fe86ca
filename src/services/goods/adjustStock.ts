import { adjustStockInput } from '@/contract/inputs/goods/places'
import { postStockChange } from '@/core/ledger'
import { addMoney, sumMoney, toDecimalString, ZERO, zeroMoney, type Decimal, type Money } from '@/core/money'
import { present } from '@/core/present'
import { unitCost, valueAt, type Shelf } from '@/core/stock'
import type { Goods } from '@/data/queries/goods'
import { takeNumber } from '@/data/queries/numbers'
import { reserveId } from '@/data/queries/reserveId'
import { insertMoves, listPlaces, type MoveRow } from '@/data/queries/stock'
import { insertStockAdjustment } from '@/data/queries/stockPapers'
import { defineCommand, paperDay } from '../command'
import { placeNamed } from './places'
import { planLeaving } from './planLeaving'
import { shelvesOn, type PlacedShelf } from './shelvesOn'
import { stockLines } from './stockLines'

interface Change {
  readonly goods: Goods
  readonly change: Decimal
  readonly unitCost?: Decimal
}

/** What those that were found are worth: at the cost given, else at the average of that day, wherever the thing lies. */
const worthOf = (
  { goods, change, unitCost: given }: Change,
  shelves: readonly PlacedShelf[],
  currency: string,
): Money => {
  const all = shelves
    .filter((s) => s.goodsId === goods.id)
    .reduce<Shelf>(
      (sum, { shelf }) => ({
        quantity: sum.quantity.plus(shelf.quantity),
        value: addMoney(sum.value, shelf.value),
      }),
      { quantity: ZERO, value: zeroMoney(currency) },
    )
  return valueAt(given ?? unitCost(all), change, currency)
}

/** Goods found, broken, used in the workshop or given away: what it changes goes to stock adjustments, with its reason. */
export const adjustStock = defineCommand('adjust-stock', adjustStockInput, async (w, input) => {
  const onDay = paperDay(w, input.on)
  const places = await listPlaces(w.tx)
  const at = input.lines.map((l, i) => placeNamed(places, l.placeId, `lines.${i}.placeId`).id)
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
  const came = lines.flatMap((line, i): MoveRow[] =>
    line.change.gt(0)
      ? [
          {
            goodsId: line.goods.id,
            placeId: present(at[i]),
            on: onDay,
            quantity: line.change,
            value: worthOf(line, shelves, w.currency),
          },
        ]
      : [],
  )
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
