import type { Decimal } from '../money'

/**
 * A unit price without tax as one with tax, or the other way, to four places.
 *
 * @param rate all components of the tax together, as a fraction
 * @example 100.00 without tax at 8.25 % → 108.25 with tax
 */
export const convertPrice = (
  price: Decimal,
  rate: Decimal,
  between: { readonly fromWithTax: boolean; readonly toWithTax: boolean },
): Decimal =>
  between.fromWithTax === between.toWithTax
    ? price
    : (between.toWithTax ? price.times(rate.plus(1)) : price.div(rate.plus(1))).round(4)
