import { HUNDRED, roundToMoney, type Decimal, type Money } from '../money'

export interface PricedLine {
  readonly quantity: Decimal
  readonly unitPrice: Decimal
  /** 0 to 100. */
  readonly discountPercent: Decimal
}

/**
 * quantity × unit price less discount, rounded once. With or without tax as the prices of the document are.
 *
 * @example 3 × 19.99 less 10 % = 53.973 → 53.97
 */
export const lineAmount = (line: PricedLine, currency: string): Money =>
  roundToMoney(line.quantity.times(line.unitPrice).times(HUNDRED.minus(line.discountPercent)).div(HUNDRED), currency)
