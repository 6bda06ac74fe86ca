import { money, type Money } from './money'

/**
 * The nearest amount that can be paid in coins, where the smallest is `step` minor units (1 or less: nothing is rounded).
 * Half a step goes away from zero.
 *
 * @example roundToCoins(money(1203n, 'CHF'), 5) // 12.05
 */
export const roundToCoins = (amount: Money, step: number): Money => {
  if (step <= 1) return amount
  const size = BigInt(step)
  const sign = amount.minor < 0n ? -1n : 1n
  const steps = (amount.minor * sign * 2n + size) / (size * 2n)
  return money(steps * size * sign, amount.currency)
}
