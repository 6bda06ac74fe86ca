import { decimal, isPositiveMoney, toDecimal, type Decimal, type Money, ceil } from '../money'

/** How a thing sold in a period, and what lies of it. */
export interface Selling {
  /** Handed over less what came back. */
  readonly sold: Decimal
  /** What that cost. */
  readonly cost: Money
  readonly onHand: Decimal
  readonly value: Money
}

/**
 * How many times a year what lies is sold, to one place: the cost of a year at the pace of these days, over what lies there.
 * Null where nothing lies.
 *
 * @example 600.00 sold in half a year of what is worth 400.00 → 3
 */
export const turnsAYear = ({ cost, value }: Selling, days: number): Decimal | null =>
  isPositiveMoney(value) && days > 0 ? toDecimal(cost).times(365).div(days).div(toDecimal(value)).round(1) : null

/**
 * How many days what lies lasts at the pace of these days, rounded up; null where nothing was sold or nothing lies.
 *
 * @example 12 on hand and 4 sold in 30 days → 90
 */
export const daysItLasts = ({ sold, onHand }: Selling, days: number): Decimal | null =>
  sold.gt(0) && onHand.gt(0) ? ceil(onHand.times(days).div(sold)) : null

/**
 * What is left of its income after its cost, in percent to one place; null where there was no income.
 *
 * @example 250.00 for what cost 150.00 → 40
 */
export const marginOf = (income: Money, cost: Money): Decimal | null =>
  isPositiveMoney(income)
    ? decimal(100)
        .minus(toDecimal(cost).times(100).div(toDecimal(income)))
        .round(1)
    : null
