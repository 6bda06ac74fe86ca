import { larger, smaller, subtractMoney, sumMoney, ZERO, type Decimal, type Money } from '@/core/money'
import { leaveAtAverage, type Shelf } from '@/core/stock'
import type { Day } from '@/core/day'
import { lockShelves, type Goods, type MoveRow } from '@/data/queries/goods'
import type { Work } from '../command'
import { refuse } from '../refuse'

export interface Leaving {
  /** Whoever asks: the answer's costs stand in the same order. */
  readonly goods: Goods
  readonly quantity: Decimal
  readonly placeId?: number
}

export interface Left {
  readonly moves: readonly MoveRow[]
  /** What each of the asked cost, in order. */
  readonly costs: readonly Money[]
}

/**
 * Takes goods off the shelves at average cost: kits as their parts, from the place named or from the fewest places (fullest
 * first). Locks the shelves and refuses more than is there; writes nothing itself.
 */
export const planLeaving = async (
  w: Work,
  leaving: readonly Leaving[],
  { on, partsOf }: { readonly on: Day; readonly partsOf: ReadonlyMap<number, Goods> },
): Promise<Left> => {
  const needs = leaving.map((l) =>
    l.goods.kind === 'stock'
      ? [{ goods: l.goods, quantity: l.quantity, placeId: l.placeId }]
      : l.goods.kind === 'kit'
        ? l.goods.parts.map((p) => ({
            goods: partsOf.get(p.goodsId)!,
            quantity: p.quantity.times(l.quantity),
            placeId: l.placeId,
          }))
        : [],
  )
  const rows = await lockShelves(
    w.tx,
    needs.flat().map((n) => n.goods.id),
    w.currency,
  )
  const shelves = new Map(rows.map((r) => [`${r.goodsId}:${r.placeId}`, { ...r }]))
  const moves: MoveRow[] = []
  const take = (goods: Goods, wanted: Decimal, placeId: number | undefined): Money => {
    const places = [...shelves.values()]
      .filter((s) => s.goodsId === goods.id && (placeId === undefined || s.placeId === placeId))
      .sort((a, b) => b.shelf.quantity.comparedTo(a.shelf.quantity))
    const onHand = places.reduce((sum, s) => sum.plus(s.shelf.quantity), ZERO)
    if (onHand.lt(wanted))
      refuse({ code: 'not-enough-stock', goods: goods.name, onHand: larger(onHand, ZERO), asked: wanted })
    let left = wanted
    const costs: Money[] = []
    for (const place of places) {
      const part = smaller(left, place.shelf.quantity)
      if (part.lte(0)) continue
      const cost = leaveAtAverage(place.shelf, part)
      moves.push({
        goodsId: goods.id,
        placeId: place.placeId,
        on,
        quantity: part.negated(),
        value: { ...cost, minor: -cost.minor },
      })
      const after: Shelf = {
        quantity: place.shelf.quantity.minus(part),
        value: subtractMoney(place.shelf.value, cost),
      }
      shelves.set(`${goods.id}:${place.placeId}`, { ...place, shelf: after })
      costs.push(cost)
      left = left.minus(part)
    }
    return sumMoney(costs, w.currency)
  }
  const costs = needs.map((parts) =>
    sumMoney(
      parts.map((n) => take(n.goods, n.quantity, n.placeId)),
      w.currency,
    ),
  )
  return { moves, costs }
}
