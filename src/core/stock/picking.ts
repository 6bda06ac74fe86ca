import { larger, smaller, ZERO, type Decimal } from '../money'

/** So many of a thing are wanted. */
export interface Wanted {
  readonly goodsId: number
  readonly quantity: Decimal
}

/** So many of a thing lie in a place and may leave it. */
export interface Lying extends Wanted {
  readonly placeId: number
}

/** What is taken for one of the wanted, place by place, and how many are missing. */
export interface Picking {
  readonly from: readonly { readonly placeId: number; readonly quantity: Decimal }[]
  readonly short: Decimal
}

/** Up to so many places every choice of them is looked at; beyond, each thing is taken from its fullest. */
const LOOKS_AT = 12

const sum = (rows: readonly Wanted[], goodsId: number): Decimal =>
  rows.filter((r) => r.goodsId === goodsId).reduce((all, r) => all.plus(r.quantity), ZERO)

/** Every choice of so many out of places, in the order in which they stand. */
const choices = (places: readonly number[], size: number): readonly (readonly number[])[] =>
  size === 0
    ? [[]]
    : places.flatMap((first, i) => choices(places.slice(i + 1), size - 1).map((rest) => [first, ...rest]))

/**
 * The fewest places that hold everything that is wanted, as far as it lies anywhere at all; of several such choices the one
 * whose places stand first. Quantities are units; places stand in the order of their first row. With more than twelve places
 * all of them are answered, in their order.
 *
 * @example 2 wanted, 1 of them in place 7 and 2 in place 8 → place 8
 */
export const fewestPlaces = (wanted: readonly Wanted[], lying: readonly Lying[]): readonly number[] => {
  const goods = [...new Set(wanted.map((w) => w.goodsId))]
  const useful = lying.filter((l) => goods.includes(l.goodsId) && l.quantity.gt(0))
  const places = [...new Set(useful.map((l) => l.placeId))]
  if (places.length > LOOKS_AT) return places
  const least = new Map(goods.map((id) => [id, smaller(sum(wanted, id), sum(useful, id))]))
  const holds = (chosen: readonly number[]): boolean => {
    const there = useful.filter((l) => chosen.includes(l.placeId))
    return [...least].every(([id, quantity]) => sum(there, id).gte(quantity))
  }
  for (let size = 0; size < places.length; size++) {
    const found = choices(places, size).find(holds)
    if (found) return found
  }
  return places
}

/**
 * Where to take what is wanted: from the fewest places altogether, and of each thing from the fullest of them. Never more
 * than lies there, however often a thing is wanted; what is missing is said. Answers stand in the order of what is wanted.
 *
 * @example 5 wanted, 2 in the shop and 4 in the store room → 4 from the store room, 1 from the shop
 */
export const proposePicking = (wanted: readonly Wanted[], lying: readonly Lying[]): readonly Picking[] => {
  const chosen = fewestPlaces(wanted, lying)
  const left = new Map(lying.map((l) => [l, larger(l.quantity, ZERO)]))
  return wanted.map((want) => {
    const from: { placeId: number; quantity: Decimal }[] = []
    let missing = want.quantity
    const piles = [...left]
      .filter(([l, quantity]) => l.goodsId === want.goodsId && chosen.includes(l.placeId) && quantity.gt(0))
      .sort(([, a], [, b]) => b.comparedTo(a))
    for (const [pile, quantity] of piles) {
      const part = smaller(missing, quantity)
      if (part.lte(0)) break
      from.push({ placeId: pile.placeId, quantity: part })
      left.set(pile, quantity.minus(part))
      missing = missing.minus(part)
    }
    return { from, short: missing }
  })
}
