import Big from 'big.js'

/**
 * Exact decimals for quantities, unit prices and rates: sums and products lose nothing, a division is carried to forty places and
 * rounded half away from zero, so that no sum the program can hold loses a digit before it is rounded once, on purpose, into money.
 */
export const Decimal = Big()
Decimal.DP = 40
Decimal.RM = 1
// Never written with an exponent.
Decimal.NE = -100
Decimal.PE = 100
export type Decimal = Big

/** The power of ten that nothing the program holds comes near, in large or in small. */
const MOST_POWER = 60

/**
 * A plain decimal. Fails on text that is none, and on what is 10⁶¹ and more or, but for zero, less than 10⁻⁶⁰.
 *
 * @example decimal('2.50') // 2.5
 */
export const decimal = (value: string | number | bigint | Decimal): Decimal => {
  const read = new Decimal(value)
  if (Math.abs(read.e) > MOST_POWER) throw new RangeError('a decimal beyond all that is held')
  return read
}

/**
 * A quantity or unit price as it is kept: four places, half away from zero, no trailing zeros (`"1.5"`, `"3"`).
 *
 * @example toFourPlaces(decimal(1).div(3)) // 0.3333
 * @example toFourPlaces(decimal('2.50')) // 2.5
 */
export const toFourPlaces = (value: Decimal): string => value.round(4).toString()

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

/**
 * The largest whole number that is not above a decimal.
 *
 * @example floor(decimal('2.7')) // 2
 * @example floor(decimal('-2.1')) // -3
 */
export const floor = (value: Decimal): Decimal => value.round(0, value.lt(0) ? UP : DOWN)

/**
 * The smallest whole number that is not below a decimal.
 *
 * @example ceil(decimal('2.1')) // 3
 * @example ceil(decimal('-2.7')) // -2
 */
export const ceil = (value: Decimal): Decimal => value.round(0, value.lt(0) ? DOWN : UP)

/** Towards zero and away from it. */
const [DOWN, UP] = [0, 3] as const

/**
 * Whether a decimal has nothing after the point.
 *
 * @example isWhole(decimal('2.0')) // true
 */
export const isWhole = (value: Decimal): boolean => value.eq(value.round(0, DOWN))

/**
 * How many digits a decimal has after the point.
 *
 * @example decimalPlaces(decimal('2.50')) // 1
 */
export const decimalPlaces = (value: Decimal): number => Math.max(0, value.c.length - 1 - value.e)

/**
 * A decimal to a whole power of zero or more, rounded to forty places at each step, so that it stays short however high the power is.
 *
 * @example power(decimal('1.01'), 12) // 1.126825030131969720661201
 */
export const power = (base: Decimal, exponent: number): Decimal => {
  let [result, square] = [new Decimal(1), base]
  for (let left = exponent; left > 0; left = Math.floor(left / 2)) {
    if (left % 2 === 1) result = result.times(square).round(Decimal.DP)
    if (left > 1) square = square.times(square).round(Decimal.DP)
  }
  return result
}

/**
 * The n-th root of a decimal of one or more, to some thirty places: what a float says of it, made exact by two steps of Newton's.
 *
 * @example root(decimal('1.21'), 2).round(20) // 1.1
 */
export const root = (value: Decimal, n: number): Decimal => {
  const nearer = (near: Decimal): Decimal =>
    near
      .times(n - 1)
      .plus(value.div(power(near, n - 1)))
      .div(n)
      .round(Decimal.DP)
  return nearer(nearer(decimal(value.toNumber() ** (1 / n))))
}
