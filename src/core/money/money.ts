/** An amount of money in integer minor units (cents). Sign conventions belong to the place that uses it. */
export interface Money {
  readonly minor: bigint
  readonly currency: string
}

export const money = (minor: bigint, currency: string): Money => ({ minor, currency })
export const zeroMoney = (currency: string): Money => money(0n, currency)

const sameCurrency = (a: Money, b: Money): void => {
  if (a.currency !== b.currency) throw new Error(`cannot mix ${a.currency} and ${b.currency}`)
}

/**
 * `a + b`. Throws where the currencies differ: that is a programmer’s mistake.
 *
 * @example addMoney(usd('0.10'), usd('0.20')) // 0.30
 */
export const addMoney = (a: Money, b: Money): Money => {
  sameCurrency(a, b)
  return money(a.minor + b.minor, a.currency)
}

/**
 * `a − b`. Throws where the currencies differ.
 *
 * @example subtractMoney(usd('1.00'), usd('1.50')) // -0.50
 */
export const subtractMoney = (a: Money, b: Money): Money => {
  sameCurrency(a, b)
  return money(a.minor - b.minor, a.currency)
}

/**
 * The same amount on the other side of zero.
 *
 * @example negateMoney(usd('1.50')) // -1.50
 */
export const negateMoney = (a: Money): Money => money(-a.minor, a.currency)

/**
 * Negative when `a` is the smaller, 0 when equal, positive when the larger.
 *
 * @example compareMoney(usd('1.00'), usd('2.00')) // -1
 */
export const compareMoney = (a: Money, b: Money): number => {
  sameCurrency(a, b)
  return a.minor < b.minor ? -1 : a.minor > b.minor ? 1 : 0
}

/**
 * The smaller of two amounts.
 *
 * @example smallerMoney(usd('1.00'), usd('2.00')) // 1.00
 */
export const smallerMoney = (a: Money, b: Money): Money => (compareMoney(a, b) <= 0 ? a : b)

/**
 * The larger of two amounts.
 *
 * @example largerMoney(usd('1.00'), usd('2.00')) // 2.00
 */
export const largerMoney = (a: Money, b: Money): Money => (compareMoney(a, b) >= 0 ? a : b)
export const isZeroMoney = (a: Money): boolean => a.minor === 0n

/**
 * Above zero; zero itself is not.
 *
 * @example isPositiveMoney(usd('0.00')) // false
 */
export const isPositiveMoney = (a: Money): boolean => a.minor > 0n

/**
 * The sum of amounts in one currency; an empty list gives zero of `currency`.
 *
 * @example sumMoney([usd('0.10'), usd('0.20'), usd('0.30')], 'USD') // 0.60
 * @example sumMoney([], 'USD') // 0.00
 */
export const sumMoney = (amounts: readonly Money[], currency: string): Money =>
  amounts.reduce(addMoney, zeroMoney(currency))

/**
 * An amount without its sign.
 *
 * @example absMoney(usd('-3.20')) // 3.20
 */
export const absMoney = (a: Money): Money => (a.minor < 0n ? money(-a.minor, a.currency) : a)
