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
