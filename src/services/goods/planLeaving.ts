import { present } from '@/core/present'
import { larger, negateMoney, smaller, subtractMoney, sumMoney, ZERO, type Decimal, type Money } from '@/core/money'
import { firstDayToLeave, leaveOn, proposePicking, type Picking, type Shelf } from '@/core/stock'
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
 * Takes goods off the shelves at average cost, kits as their parts: from the place named, else from where picking proposes.
 * Locks the shelves and refuses more than is there; writes nothing itself.
 */
export const planLeaving = async (
  w: Work,
  leaving: readonly Leaving[],
  { on, partsOf }: { readonly on: Day; readonly partsOf: ReadonlyMap<number, Goods> },
): Promise<Left> => {
  const needs = leaving.map((l) => needsOf(l, partsOf))
  const flat = needs.flat()
  const shelves = await shelvesInTurn(w, flat, on)
  const picked = pickedFrom(flat, [...shelves.values()])
  const moves: MoveRow[] = []
  const costs: Money[] = []
  for (const parts of needs) {
    const ofParts: Money[] = []
    for (const need of parts) ofParts.push(await takeFrom(w, { shelves, moves, on }, need, present(picked.get(need))))
    costs.push(sumMoney(ofParts, w.currency))
  }
  return { moves, costs }
}

type Shelves = Map<string, PlacedShelf>
const keyOf = ({ goodsId, placeId }: { readonly goodsId: number; readonly placeId: number }): string =>
  `${goodsId}:${placeId}`

/** The shelves of what leaves, locked, in the order in which places stand: of two choices as good the first one is taken. */
const shelvesInTurn = async (w: Work, needs: readonly Leaving[], on: Day): Promise<Shelves> => {
  const places = await listPlaces(w.tx)
  const rows = await shelvesOn(
    w,
    needs.map((n) => n.goods.id),
    on,
  )
  const turn = (s: PlacedShelf): number => places.findIndex((p) => p.id === s.placeId)
  return new Map([...rows].sort((a, b) => turn(a) - turn(b)).map((r) => [keyOf(r), r]))
}

/** Where each is taken from: the place named, or what picking proposes of all that names none. */
const pickedFrom = (needs: readonly Leaving[], shelves: readonly PlacedShelf[]): ReadonlyMap<Leaving, Picking> => {
  const named = needs.filter((n) => n.placeId !== undefined)
  const lying = shelves.map((s) => ({
    goodsId: s.goodsId,
    placeId: s.placeId,
    quantity: named
      .filter((n) => n.goods.id === s.goodsId && n.placeId === s.placeId)
      .reduce((left, n) => left.minus(n.quantity), s.free.quantity),
  }))
  const free = needs.filter((n) => n.placeId === undefined)
  const proposed = proposePicking(
    free.map((n) => ({ goodsId: n.goods.id, quantity: n.quantity })),
    lying,
  )
  return new Map<Leaving, Picking>([
    ...named.map((n) => [n, { from: [{ placeId: present(n.placeId), quantity: n.quantity }], short: ZERO }] as const),
    ...free.map((n, i) => [n, present(proposed[i])] as const),
  ])
}

interface Taking {
  /** What lies where, lowered by what was taken. */
  readonly shelves: Shelves
  readonly moves: MoveRow[]
  readonly on: Day
}

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

/** Takes one of them from where it was picked: adds its moves, lowers the shelves for the next, answers what it cost. */
const takeFrom = async (
  w: Work,
  { shelves, moves, on }: Taking,
  need: Leaving,
  { from, short }: Picking,
): Promise<Money> => {
  const { goods, quantity: wanted, placeId } = need
  const places = [...shelves.values()].filter(
    (s) => s.goodsId === goods.id && (placeId === undefined || s.placeId === placeId),
  )
  const sum = (of: 'now' | 'free'): Decimal => places.reduce((all, s) => all.plus(s[of].quantity), ZERO)
  const tooFew = (there: Decimal): Promise<never> =>
    placeId === undefined
      ? refuse({ code: 'not-enough-stock', goods: goods.name, onHand: there, asked: wanted })
      : refuseAtPlace(w, [...shelves.values()], need, there)
  const there = larger(sum('now'), ZERO)
  if (there.lt(wanted)) return tooFew(there)
  if (sum('free').lt(wanted)) return refuseBefore(w, goods, places, wanted, on)
  // Others of the same command name the place where the rest of them lies.
  if (short.gt(0)) return tooFew(wanted.minus(short))
  const costs: Money[] = []
  for (const { placeId: at, quantity } of from) {
    const place = present(shelves.get(keyOf({ goodsId: goods.id, placeId: at })))
    const cost = leaveOn(place, quantity) ?? (await refuseBefore(w, goods, places, wanted, on))
    moves.push({ goodsId: goods.id, placeId: at, on, quantity: quantity.negated(), value: negateMoney(cost) })
    shelves.set(keyOf(place), without(place, quantity, cost))
    costs.push(cost)
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
