import { countStockInput } from '@/contract/inputs/goods/countStock'
import type { z } from 'zod'
import { present } from '@/core/present'
import { negateMoney, sumMoney, toDecimalString, ZERO, zeroMoney, type Decimal, type Money } from '@/core/money'
import { firstDayToLeave, leaveOn, unitCost, valueAt, type Shelf } from '@/core/stock'
import type { Day } from '@/core/day'
import { postStockChange } from '@/core/ledger'
import { findGoods } from '@/data/queries/goods'
import { insertStockCount } from '@/data/queries/stockPapers'
import { takeNumber } from '@/data/queries/numbers'
import { defineCommand, paperDay, type Work } from '../command'
import { found, refuse } from '@/contract/refuse'
import { changesOf, shelvesOn, type PlacedShelf } from './shelvesOn'
import { reserveId } from '@/data/queries/reserveId'
import { placeNamed } from './places'
import { insertMoves, listPlaces, listShelfChanges, type MoveRow } from '@/data/queries/stock'

/** What goods that are missing cost: gone on the day of the count, as far as every later day bears it. */
const missing = async (
  w: Work,
  shelf: PlacedShelf,
  quantity: Decimal,
  { name, on: onDay }: { readonly name: string; readonly on: Day },
): Promise<Money> => {
  const cost = quantity.lte(shelf.free.quantity) ? leaveOn(shelf, quantity) : null
  if (cost) return cost
  const from = firstDayToLeave(changesOf(await listShelfChanges(w.tx, [shelf.goodsId]), shelf), quantity, onDay)
  return refuse({
    code: 'not-before',
    from: from && from > onDay ? from : w.today,
    what: `More of ${name} was handed over since than that count left.`,
  })
}

type Counted = z.output<typeof countStockInput>

/** What a count changes on the shelf, line by line, and what each change is worth. */
const movesOf = async (w: Work, lines: Counted['lines'], placeId: number, onDay: Day): Promise<MoveRow[]> => {
  const ids = lines.map((l) => l.goodsId)
  const goods = await findGoods(w.tx, ids)
  const shelves = (await shelvesOn(w, ids, onDay)).filter((s) => s.placeId === placeId)
  const none: Shelf = { quantity: ZERO, value: zeroMoney(w.currency) }
  const moves: MoveRow[] = []
  for (const [i, line] of lines.entries()) {
    const thing = found(goods.get(line.goodsId), 'goods', line.goodsId)
    const wrong = (message: string) =>
      refuse({ code: 'invalid', errors: [{ path: `lines.${i}.goodsId`, message: `${thing.name} ${message}` }] })
    if (thing.kind !== 'stock') wrong('is not kept on the shelf.')
    if (ids.indexOf(thing.id) < i) wrong('is counted twice.')
    const there = shelves.find((s) => s.goodsId === thing.id)
    const shelf = there?.shelf ?? none
    const more = line.counted.minus(shelf.quantity)
    if (more.isZero()) continue
    const value = more.gt(0)
      ? valueAt(line.unitCost ?? unitCost(shelf), more, w.currency)
      : negateMoney(await missing(w, present(there), more.negated(), { name: thing.name, on: onDay }))
    moves.push({ goodsId: thing.id, placeId, on: onDay, quantity: more, value })
  }
  return moves
}

/**
 * What was counted replaces what the books had on that day. More than expected comes in at the unit cost given (else at the average so
 * far), less leaves at average; the difference goes to stock adjustments.
 */
export const countStock = defineCommand('count-stock', countStockInput, async (w, input) => {
  const onDay = paperDay(w, input.on)
  const place = placeNamed(await listPlaces(w.tx), input.placeId, 'placeId')
  const moves = await movesOf(w, input.lines, place.id, onDay)
  const value = sumMoney(
    moves.map((m) => m.value),
    w.currency,
  )
  const number = await takeNumber(w.tx, 'stock-count', onDay)
  const countId = await reserveId(w.tx, 'stock_count')
  const entry = postStockChange({ on: onDay, text: `Stock count ${number}`, value })
  const entryId = entry.lines.length > 0 ? await w.post(entry, { kind: 'stock-count', id: countId }) : null
  await insertStockCount(w.tx, { number, onDay, placeId: place.id, entryId }, countId)
  await insertMoves(w.tx, moves, { kind: 'stock-count', id: countId })
  return {
    id: countId,
    answer: async () => ({
      id: countId,
      number,
      on: onDay,
      placeId: place.id,
      value: toDecimalString(value),
      lines: moves.map((m) => ({
        goodsId: m.goodsId,
        difference: m.quantity.toString(),
        value: toDecimalString(m.value),
      })),
    }),
  }
})
