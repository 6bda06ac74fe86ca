import { larger, smaller, ZERO, type Decimal } from '../money'

/** Goods that came (above zero) or left, for the line of a sale or for none. */
export interface Passing {
  readonly quantity: Decimal
  readonly saleLineId: number | null
}

/** So many units, and the line of a sale that took them. */
export interface TakenUnits {
  readonly saleLineId: number
  readonly quantity: Decimal
}

/** What left for good, in its order: what came back of a sale was never gone, the last of it first. */
const goneOf = (moves: readonly Passing[]): readonly Passing[] => {
  const gone: Passing[] = []
  for (const m of moves) {
    if (m.quantity.lt(0)) gone.push({ ...m, quantity: m.quantity.neg() })
    else if (m.saleLineId !== null) {
      let back = m.quantity
      for (let i = gone.length - 1; i >= 0 && back.gt(0); i--) {
        const out = gone[i]
        if (!out || out.saleLineId !== m.saleLineId) continue
        const part = smaller(out.quantity, back)
        back = back.minus(part)
        gone[i] = { ...out, quantity: out.quantity.minus(part) }
      }
    }
  }
  return gone
}

const byLine = (taken: readonly TakenUnits[]): readonly TakenUnits[] => {
  const sums = new Map<number, Decimal>()
  for (const t of taken) sums.set(t.saleLineId, (sums.get(t.saleLineId) ?? ZERO).plus(t.quantity))
  return [...sums].flatMap(([saleLineId, quantity]) => (quantity.gt(0) ? [{ saleLineId, quantity }] : []))
}

/**
 * Which sales took so many units of what came, where units are not told apart: what came first went first. `moves` are all that
 * came and left, the oldest first, without those from place to place; the units are those of the move at `at`.
 *
 * @example 5 came, 3 more came, sale 1 took 4, sale 2 took 2: of the 3 sale 2 took 1, of the first 5 sale 1 took 4 and sale 2 one
 */
export const unitsTaken = (moves: readonly Passing[], at: number): readonly TakenUnits[] => {
  const came = (m: Passing): boolean => m.quantity.gt(0) && m.saleLineId === null
  const from = moves.slice(0, at).reduce((sum, m) => (came(m) ? sum.plus(m.quantity) : sum), ZERO)
  const to = from.plus(moves[at]?.quantity ?? ZERO)
  let passed = ZERO
  return byLine(
    goneOf(moves).flatMap(({ quantity, saleLineId }) => {
      const start = passed
      passed = passed.plus(quantity)
      const within = smaller(passed, to).minus(larger(start, from))
      return saleLineId !== null && within.gt(0) ? [{ saleLineId, quantity: within }] : []
    }),
  )
}

/**
 * The same where they are told apart: of their own moves, what left for a sale and did not come back.
 *
 * @example of a lot sale 1 took 4 and brought 1 back → sale 1: 3
 */
export const unitsTakenOf = (moves: readonly Passing[]): readonly TakenUnits[] =>
  byLine(
    moves.flatMap(({ quantity, saleLineId }) =>
      saleLineId === null ? [] : [{ saleLineId, quantity: quantity.neg() }],
    ),
  )
