import { larger, smaller, ZERO, type Decimal } from '../money'

/** So many of a thing are wanted. */
export interface Wanted {
  readonly goodsId: number
  readonly quantity: Decimal
}

/** So many of a thing lie in a place, told apart by their batch where they are, and may leave it. */
export interface Lying extends Wanted {
  readonly placeId: number
  readonly batchId: number | null
  /** What goes first: all of an earlier turn before any of a later one (see `turnOf`). */
  readonly turn: string
}

/** So many are taken from a place and batch. */
export interface Taken {
  readonly placeId: number
  readonly batchId: number | null
  readonly quantity: Decimal
}

/** What is taken for one of the wanted, pile by pile, and how many are missing. */
export interface Picking {
  readonly from: readonly Taken[]
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
 * What of the piles is in its turn: of each thing all turns that are needed whole, and the one of which only some are needed.
 * The places of the first cannot be chosen; those of the second can.
 */
const inTurn = (wanted: readonly Wanted[], lying: readonly Lying[]) => {
  const whole: Lying[] = []
  const some: Lying[] = []
  const left: Wanted[] = []
  for (const goodsId of new Set(wanted.map((w) => w.goodsId))) {
    const mine = lying.filter((l) => l.goodsId === goodsId && l.quantity.gt(0))
    let missing = sum(wanted, goodsId)
    for (const turn of [...new Set(mine.map((l) => l.turn))].sort()) {
      if (missing.lte(0)) break
      const piles = mine.filter((l) => l.turn === turn)
      const there = sum(piles, goodsId)
      if (there.lte(missing)) whole.push(...piles)
      else {
        some.push(...piles)
        left.push({ goodsId, quantity: missing })
      }
      missing = missing.minus(there)
    }
  }
  return { whole, some, left }
}

/**
 * The fewest places that hold everything that is wanted, as far as it lies anywhere at all and in its turn; of several such
 * choices the one whose places stand first. Quantities are units; places stand in the order of their first row. With more than
 * twelve places to choose from all of them are answered, in their order.
 *
 * @example 2 wanted, 1 of them in place 7 and 2 in place 8 → place 8
 */
export const fewestPlaces = (wanted: readonly Wanted[], lying: readonly Lying[]): readonly number[] => {
  const { whole, some, left } = inTurn(wanted, lying)
  const must = new Set(whole.map((l) => l.placeId))
  const places = [...new Set(some.map((l) => l.placeId))].filter((p) => !must.has(p))
  const inOrder = (chosen: readonly number[]): readonly number[] => [
    ...new Set(lying.map((l) => l.placeId).filter((p) => must.has(p) || chosen.includes(p))),
  ]
  if (places.length > LOOKS_AT) return inOrder(places)
  const holds = (chosen: readonly number[]): boolean => {
    const there = some.filter((l) => must.has(l.placeId) || chosen.includes(l.placeId))
    return left.every(({ goodsId, quantity }) => sum(there, goodsId).gte(quantity))
  }
  for (let size = 0; size < places.length; size++) {
    const found = choices(places, size).find(holds)
    if (found) return inOrder(found)
  }
  return inOrder(places)
}

/**
 * Where to take what is wanted: what expires or came first before the rest, from the fewest places altogether, and of each thing
 * from the fullest of them. Never more than lies there, however often a thing is wanted; what is missing is said. Answers stand in
 * the order of what is wanted.
 *
 * @example 5 wanted, 2 in the shop and 4 in the store room → 4 from the store room, 1 from the shop
 */
export const proposePicking = (wanted: readonly Wanted[], lying: readonly Lying[]): readonly Picking[] => {
  const chosen = fewestPlaces(wanted, lying)
  const left = new Map(lying.map((l) => [l, larger(l.quantity, ZERO)]))
  return wanted.map((want) => {
    const from: Taken[] = []
    let missing = want.quantity
    const piles = [...left]
      .filter(([l, quantity]) => l.goodsId === want.goodsId && chosen.includes(l.placeId) && quantity.gt(0))
      .sort(([l, a], [m, b]) => (l.turn === m.turn ? b.cmp(a) : l.turn < m.turn ? -1 : 1))
    for (const [pile, quantity] of piles) {
      const part = smaller(missing, quantity)
      if (part.lte(0)) break
      from.push({ placeId: pile.placeId, batchId: pile.batchId, quantity: part })
      left.set(pile, quantity.minus(part))
      missing = missing.minus(part)
    }
    return { from, short: missing }
  })
}
