import {
  isZeroMoney,
  largerMoney,
  negateMoney,
  roundToMoney,
  smaller,
  subtractMoney,
  toDecimal,
  zeroMoney,
  type Decimal,
  type Money,
} from '../money'

/**
 * What so many of units that came are worth, out of what is left of them: the last ones take all of the rest, so that the parts
 * make the whole.
 *
 * @example 1 of 3 worth 10.00 → 3.33; then 1 of 2 worth 6.67 → 3.34 (rounded half up); the last one 3.33
 */
export const shareOfWorth = (left: { readonly quantity: Decimal; readonly value: Money }, taken: Decimal): Money =>
  taken.gte(left.quantity)
    ? left.value
    : roundToMoney(toDecimal(left.value).times(taken).div(left.quantity), left.value.currency)

/**
 * Where the difference between a bill and what goods came in at goes: to stock for those of them that are still here, else to cost
 * of goods sold. `here` of `of` units are; a difference that takes from stock takes at most `most`, what they are worth there.
 *
 * @example 6.00 more for 3 units of which 1 is still here → 2.00 to stock, 4.00 to cost
 */
export const splitDifference = (
  difference: Money,
  { here, of, most }: { readonly here: Decimal; readonly of: Decimal; readonly most: Money },
): { readonly toStock: Money; readonly toCost: Money } => {
  const { currency } = difference
  if (isZeroMoney(difference) || here.lte(0)) return { toStock: zeroMoney(currency), toCost: difference }
  const share = roundToMoney(toDecimal(difference).times(smaller(here, of)).div(of), currency)
  const toStock = largerMoney(share, negateMoney(most))
  return { toStock, toCost: subtractMoney(difference, toStock) }
}

/**
 * How many of so many units a part of a difference was for: those that were here when it went to stock. So it comes back for as many
 * of them as are here still, and not for the same share once more.
 *
 * @example of 6 units a difference of 7.00, of which 4.67 went to stock → 4.0029 (four of them, and what the rounding made)
 */
export const unitsOfPart = (quantity: Decimal, part: Money, whole: Money): Decimal =>
  isZeroMoney(whole) ? quantity : quantity.times(toDecimal(part)).div(toDecimal(whole)).abs().round(4)
