import { decimal, ZERO, type Decimal, ceil } from '../money'

/** How a thing sells, and how long it takes to come. */
export interface SellingAndComing {
  /** So many were handed over in so many days. */
  readonly sold: Decimal
  readonly days: number
  /** So many days from the order to the shelf. */
  readonly toCome: number
}

/** Days of selling that are kept beyond those it takes to come. */
const SPARE = 7

/**
 * How many should be left when more is ordered: what sells while it comes, and for a week more, rounded up to whole ones. Nothing
 * where nothing sells.
 *
 * @example 36 sold in 180 days, 13 days to come → 4 (0.2 a day for 20 days)
 */
export const suggestReorder = ({ sold, days, toCome }: SellingAndComing): Decimal =>
  sold.lte(0) || days <= 0 ? ZERO : ceil(sold.times(toCome + SPARE).div(decimal(days)))
