import { larger, smaller, ZERO, type Decimal } from '../money'

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

/**
 * The same for many things at once: what each of those who wait gets of the thing they wait for, in the order in which they
 * stand.
 *
 * @example 5 of A and 1 of B on hand; waiting 3 of A, 2 of B, 4 of A → 3, 1, 2
 */
export const setAsideInTurn = (
  waiting: readonly { readonly goodsId: number; readonly waiting: Decimal }[],
  onHand: (goodsId: number) => Decimal,
): Decimal[] => {
  const left = new Map<number, Decimal>()
  return waiting.map(({ goodsId, waiting: wanted }) => {
    const there = left.get(goodsId) ?? onHand(goodsId)
    const [given = ZERO] = setAside(there, [wanted])
    left.set(goodsId, there.minus(given))
    return given
  })
}
