import { isPositiveMoney, toDecimal, type Decimal, type Money } from '../money'

/**
 * What is left of a price without tax after its cost, as a whole percentage of the price, rounded half away from zero;
 * below zero where it costs more than it brings, null where nothing is asked for it.
 *
 * @example marginPercent(money(200_00n, 'USD'), decimal('150')) // 25
 */
export const marginPercent = (net: Money, cost: Decimal): number | null => {
  if (!isPositiveMoney(net)) return null
  const price = toDecimal(net)
  return price.minus(cost).div(price).times(100).toDecimalPlaces(0).toNumber()
}
