import DecimalBase from 'decimal.js'

/**
 * Exact decimals for quantities, unit prices and rates. 60 significant digits, half away from zero, so that no sum the
 * program can hold loses a digit before it is rounded once, on purpose, into money.
 */
export const Decimal = DecimalBase.clone({
  precision: 60,
  rounding: DecimalBase.ROUND_HALF_UP,
  toExpNeg: -40,
  toExpPos: 60,
})
export type Decimal = DecimalBase

export const decimal = (value: string | number | bigint | Decimal): Decimal =>
  new Decimal(typeof value === 'bigint' ? value.toString() : value)

/**
 * A quantity or unit price as it is kept: four places, half away from zero, no trailing zeros (`"1.5"`, `"3"`).
 *
 * @example toFourPlaces(decimal(1).div(3)) // 0.3333
 * @example toFourPlaces(decimal('2.50')) // 2.5
 */
export const toFourPlaces = (value: Decimal): string => value.toDecimalPlaces(4).toString()

export const ZERO = new Decimal(0)
export const HUNDRED = new Decimal(100)

/**
 * The smaller of two decimals.
 *
 * @example smaller(decimal('2'), decimal('1.5')) // 1.5
 */
export const smaller = (a: Decimal, b: Decimal): Decimal => (a.lte(b) ? a : b)

/**
 * The larger of two decimals.
 *
 * @example larger(decimal('2'), decimal('1.5')) // 2
 */
export const larger = (a: Decimal, b: Decimal): Decimal => (a.gte(b) ? a : b)
