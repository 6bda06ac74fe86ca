import { present } from '@/core/present'
import { larger, negateMoney, smaller, subtractMoney, sumMoney, ZERO, type Decimal, type Money } from '@/core/money'
import { fewestPlaces, firstDayToLeave, leaveOn, type Shelf } from '@/core/stock'
import type { Day } from '@/core/day'
import type { Goods } from '@/data/queries/goods'
import type { Work } from '../command'
import { refuse } from '@/contract/refuse'
import { changesOf, shelvesOn, type PlacedShelf } from './shelvesOn'
import { listPlaces, listShelfChanges, type MoveRow } from '@/data/queries/stock'

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
 * Takes goods off the shelves at average cost: kits as their parts, from the place named or from the fewest places altogether
 * (fullest first). Locks the shelves and refuses more than is there; writes nothing itself.
 */
export const planLeaving = async (
  w: Work,
  leaving: readonly Leaving[],
  { on, partsOf }: { readonly on: Day; readonly partsOf: ReadonlyMap<number, Goods> },
): Promise<Left> => {
  const needs = leaving.map((l) => needsOf(l, partsOf))
  const ids = needs.flat().map((n) => n.goods.id)
  const shelves = new Map((await shelvesOn(w, ids, on)).map((r) => [keyOf(r), r]))
  const chosen = fewestPlaces(
    needs
      .flat()
      .filter((n) => n.placeId === undefined)
      .map((n) => ({ goodsId: n.goods.id, quantity: n.quantity })),
    [...shelves.values()].map((s) => ({ goodsId: s.goodsId, placeId: s.placeId, quantity: s.free.quantity })),
  )
  const moves: MoveRow[] = []
  const costs: Money[] = []
  for (const parts of needs) {
    const ofParts: Money[] = []
    for (const need of parts) ofParts.push(await takeFrom(w, { shelves, chosen, moves }, need, on))
    costs.push(sumMoney(ofParts, w.currency))
  }
  return { moves, costs }
}

interface Taking {
  /** What lies where, lowered by what was taken. */
  readonly shelves: Map<string, PlacedShelf>
  /** The fewest places that hold everything: these are emptied first. */
  readonly chosen: readonly number[]
  readonly moves: MoveRow[]
}
const keyOf = ({ goodsId, placeId }: { readonly goodsId: number; readonly placeId: number }): string =>
  `${goodsId}:${placeId}`

/** What has to leave the shelves for it: itself, or a kit's parts; nothing for work and charges. */
const needsOf = ({ goods, quantity, placeId }: Leaving, partsOf: ReadonlyMap<number, Goods>): readonly Leaving[] =>
  goods.kind === 'stock'
    ? [{ goods, quantity, placeId }]
    : goods.kind === 'kit'
      ? goods.parts.map((p) => ({
          goods: present(partsOf.get(p.goodsId)),
          quantity: p.quantity.times(quantity),
          placeId,
        }))
      : []

/** Takes one of them, fullest place first: adds its moves, lowers the shelves for the next, answers what it cost. */
const takeFrom = async (
  w: Work,
  { shelves, chosen, moves }: Taking,
  { goods, quantity: wanted, placeId }: Leaving,
  on: Day,
): Promise<Money> => {
  const places = [...shelves.values()]
    .filter((s) => s.goodsId === goods.id && (placeId === undefined || s.placeId === placeId))
    .sort(
      (a, b) =>
        Number(chosen.includes(b.placeId)) - Number(chosen.includes(a.placeId)) ||
        b.free.quantity.comparedTo(a.free.quantity),
    )
  const sum = (of: 'now' | 'free'): Decimal => places.reduce((all, s) => all.plus(s[of].quantity), ZERO)
  const there = larger(sum('now'), ZERO)
  if (there.lt(wanted))
    return placeId === undefined
      ? refuse({ code: 'not-enough-stock', goods: goods.name, onHand: there, asked: wanted })
      : refuseAtPlace(w, [...shelves.values()], { goods, quantity: wanted, placeId }, there)
  if (sum('free').lt(wanted)) return refuseBefore(w, goods, places, wanted, on)
  let left = wanted
  const costs: Money[] = []
  for (const place of places) {
    const part = smaller(left, place.free.quantity)
    if (part.lte(0)) continue
    const cost = leaveOn(place, part) ?? (await refuseBefore(w, goods, places, wanted, on))
    moves.push({
      goodsId: goods.id,
      placeId: place.placeId,
      on,
      quantity: part.negated(),
      value: negateMoney(cost),
    })
    shelves.set(keyOf(place), without(place, part, cost))
    costs.push(cost)
    left = left.minus(part)
  }
  return sumMoney(costs, w.currency)
}

/** A place's shelf after so much, worth so much, has left it. */
const without = (place: PlacedShelf, part: Decimal, cost: Money): PlacedShelf => {
  const less = (s: Shelf): Shelf => ({ quantity: s.quantity.minus(part), value: subtractMoney(s.value, cost) })
  return { ...place, shelf: less(place.shelf), free: less(place.free), now: less(place.now) }
}

/** Too few lie in the place that was named: says so, and where most of the others lie. */
const refuseAtPlace = async (
  w: Work,
  shelves: readonly PlacedShelf[],
  { goods, quantity, placeId }: Leaving,
  there: Decimal,
): Promise<never> => {
  const places = await listPlaces(w.tx)
  const nameOf = (id: number | undefined): string => places.find((p) => p.id === id)?.name ?? 'That place'
  const [most] = shelves
    .filter((s) => s.goodsId === goods.id && s.placeId !== placeId && s.now.quantity.gt(0))
    .sort((a, b) => b.now.quantity.comparedTo(a.now.quantity))
  return refuse({
    code: 'not-at-place',
    goods: goods.name,
    place: nameOf(placeId),
    there,
    asked: quantity,
    instead: most ? { place: nameOf(most.placeId), there: most.now.quantity } : null,
  })
}

/** Goods that lie there now, but did not on that day: from which day on they may leave. */
const refuseBefore = async (
  w: Work,
  goods: Goods,
  places: readonly PlacedShelf[],
  wanted: Decimal,
  on: Day,
): Promise<never> => {
  const changes = await listShelfChanges(w.tx, [goods.id])
  const days = places.flatMap((p) => firstDayToLeave(changesOf(changes, p), smaller(wanted, p.now.quantity), on) ?? [])
  const later = days.filter((d) => d > on).sort()
  return refuse({
    code: 'not-before',
    from: later[0] ?? w.today,
    what: `So much of ${goods.name} did not lie there yet on that day.`,
  })
}
