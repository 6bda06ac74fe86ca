import { larger, smaller, ZERO, type Decimal, floor } from '../money'

/**
 * Gives what is on hand to those who wait, in the order given (oldest agreement first): what each gets set aside.
 *
 * @example 5 on hand, waiting 3, 4, 1 → 3, 2, 0
 */
export const setAside = (onHand: Decimal, waiting: readonly Decimal[]): Decimal[] => {
  let left = larger(onHand, ZERO)
  return waiting.map((wanted) => {
    const given = smaller(left, larger(wanted, ZERO))
    left = left.minus(given)
    return given
  })
}

/** A line that waits for a thing; a kit's line for each of its parts, and before them for kits that lie assembled. */
export interface Waiting {
  readonly lineId: number
  readonly goodsId: number
  /** Of a part: what it takes without any assembled kit. */
  readonly waiting: Decimal
  /** Of a part: how many one kit takes. */
  readonly perKit: Decimal | null
  /** It waits for the kit itself, assembled. */
  readonly isKit: boolean
}

/** What a line still wants of a thing, and what of it is set aside. */
export interface Share {
  readonly wanted: Decimal
  readonly given: Decimal
}

/**
 * The same for many things at once: what each of those who wait gets of the thing they wait for, in the order in which they
 * stand. A kit's line takes assembled kits first; its parts, which stand after, are wanted for the rest of its kits.
 *
 * @example 5 of A and 1 of B on hand; waiting 3 of A, 2 of B, 4 of A → 3, 1, 2
 */
export const setAsideInTurn = (waiting: readonly Waiting[], onHand: (goodsId: number) => Decimal): Share[] => {
  const left = new Map<number, Decimal>()
  const assembled = new Map<number, Decimal>()
  return waiting.map(({ lineId, goodsId, waiting: all, perKit, isKit }) => {
    const wanted = perKit ? larger(all.minus((assembled.get(lineId) ?? ZERO).times(perKit)), ZERO) : all
    const there = left.get(goodsId) ?? onHand(goodsId)
    const [taken = ZERO] = setAside(there, [wanted])
    const given = isKit ? floor(taken) : taken
    left.set(goodsId, there.minus(given))
    if (!isKit) return { wanted, given }
    assembled.set(lineId, given)
    return { wanted: given, given }
  })
}
