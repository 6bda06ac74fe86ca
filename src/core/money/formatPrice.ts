import { minorDigits } from './currency'
import { decimalPlaces, toFourPlaces, type Decimal } from './decimal'
import { formatDigits } from '../locale'

/**
 * A unit price as a person reads it: the currency's digits, or more where it has more: `1,250.00`, `0.1250`.
 *
 * @example formatPrice(decimal('0.125'), 'USD') // 0.125
 * @example formatPrice(decimal('19.9'), 'USD') // 19.90
 */
export const formatPrice = (price: Decimal, currency: string): string => {
  const digits = Math.max(minorDigits(currency), decimalPlaces(price))
  return formatDigits(price.toFixed(digits))
}

/**
 * A quantity as a person reads it: at most four places, no trailing zeros: `1.5`, `1,200`.
 *
 * @example formatQuantity(decimal('1200.50')) // 1,200.5
 */
export const formatQuantity = (quantity: Decimal): string => formatDigits(toFourPlaces(quantity))
