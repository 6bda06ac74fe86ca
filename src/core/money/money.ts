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

export const addMoney = (a: Money, b: Money): Money => {
  sameCurrency(a, b)
  return money(a.minor + b.minor, a.currency)
}

export const subtractMoney = (a: Money, b: Money): Money => {
  sameCurrency(a, b)
  return money(a.minor - b.minor, a.currency)
}

export const negateMoney = (a: Money): Money => money(-a.minor, a.currency)

/** Negative when `a` is the smaller, 0 when equal, positive when the larger. */
export const compareMoney = (a: Money, b: Money): number => {
  sameCurrency(a, b)
  return a.minor < b.minor ? -1 : a.minor > b.minor ? 1 : 0
}

export const smallerMoney = (a: Money, b: Money): Money => (compareMoney(a, b) <= 0 ? a : b)
export const largerMoney = (a: Money, b: Money): Money => (compareMoney(a, b) >= 0 ? a : b)
export const isZeroMoney = (a: Money): boolean => a.minor === 0n
export const isPositiveMoney = (a: Money): boolean => a.minor > 0n

/** The sum of amounts in one currency; an empty list gives zero of `currency`. */
export const sumMoney = (amounts: readonly Money[], currency: string): Money =>
  amounts.reduce(addMoney, zeroMoney(currency))

/** An amount without its sign. */
export const absMoney = (a: Money): Money => (a.minor < 0n ? money(-a.minor, a.currency) : a)
