import { present } from '../present'
import { splitMoney, ZERO, type Decimal, type Money } from '../money'

/** How long goods lie: up to so many days, and longer than all of them. */
export const AGE_LIMITS = [30, 90, 180, 365] as const

/**
 * What lies of a thing is worth, by how long it lies: its value shared over its quantities by age, so that the parts make the
 * whole. `byAge` stands in the order of `AGE_LIMITS`, what is older at the end.
 *
 * @example 10.00 for 2 up to 30 days and 1 older than a year → 6.67, 0, 0, 0, 3.33
 */
export const valueByAge = (value: Money, byAge: readonly Decimal[]): readonly Money[] => {
  const quantities = [...AGE_LIMITS, null].map((_, i) => byAge[i] ?? ZERO)
  return splitMoney(value, quantities)
}

/**
 * In which age so many days are: the place in `AGE_LIMITS`, and the one after them for what is older.
 *
 * @example ageOf(30) // 0
 * @example ageOf(400) // 4
 */
export const ageOf = (days: number): number => {
  const at = AGE_LIMITS.findIndex((limit) => days <= limit)
  return at < 0 ? AGE_LIMITS.length : present(at)
}
