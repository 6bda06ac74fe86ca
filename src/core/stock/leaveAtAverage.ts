import { decimal, money, type Decimal, type Money, roundToMoney, toDecimal } from '../money'

/** What lies on the shelf: how much, and what it cost altogether. */
export interface Shelf {
  readonly quantity: Decimal
  readonly value: Money
}

/**
 * The cost of `quantity` units that leave at average cost, rounded once; the last units take all that is left, so that an
 * empty shelf is worth exactly zero. `quantity` must not exceed what is there.
 *
 * @example 3 on hand worth 10.00: one leaves with 3.33, the next with 3.34 (of 6.67), the last with 3.33
 */
export const leaveAtAverage = (shelf: Shelf, quantity: Decimal): Money => {
  if (quantity.gt(shelf.quantity)) throw new Error('more leaves than is there')
  if (quantity.eq(shelf.quantity)) return shelf.value
  return roundToMoney(toDecimal(shelf.value).times(quantity).div(shelf.quantity), shelf.value.currency)
}

/**
 * Average cost of one unit, or zero of nothing.
 *
 * @example unitCost({ quantity: decimal(4), value: usd('10.00') }) // 2.5
 */
export const unitCost = (shelf: Shelf): Decimal =>
  shelf.quantity.eq(0) ? decimal(0) : toDecimal(shelf.value).div(shelf.quantity)

/**
 * What `quantity` units are worth at a unit cost, rounded once.
 *
 * @example valueAt(decimal('2.5'), decimal(3), 'USD') // 7.50
 */
export const valueAt = (unit: Decimal, quantity: Decimal, currency: string): Money =>
  quantity.eq(0) ? money(0n, currency) : roundToMoney(unit.times(quantity), currency)
