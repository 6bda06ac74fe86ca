import { isPositiveMoney, toDecimal, type Decimal, type Money } from '../money'

/**
 * What is left of a price without tax after its cost, in percent of the price, rounded half away from zero to so many
 * places; below zero where it costs more than it brings, null where nothing is asked for it.
 *
 * @example marginPercent(money(200_00n, 'USD'), decimal('150'), 0) // 25
 */
export const marginPercent = (net: Money, cost: Decimal, places: number): Decimal | null => {
  if (!isPositiveMoney(net)) return null
  const price = toDecimal(net)
  return price.minus(cost).div(price).times(100).round(places)
}
