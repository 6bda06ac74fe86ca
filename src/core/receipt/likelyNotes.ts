import { wholeUnit, money, type Money } from '../money'

const NOTES = [5n, 10n, 20n, 50n] as const

/**
 * Sums somebody is likely to hand over for an amount: the next whole five, ten, twenty and fifty above it, the smallest
 * first, three at most and none twice.
 *
 * @example 12.40: 15.00, 20.00, 50.00
 * @example likelyNotes(usd('12.40')) // 15.00, 20.00, 50.00
 */
export const likelyNotes = (amount: Money): Money[] => {
  const unit = wholeUnit(amount.currency)
  const nextWhole = (step: bigint): bigint => ((amount.minor + step - 1n) / step) * step
  return [...new Set(NOTES.map((n) => nextWhole(n * unit)))]
    .filter((minor) => minor > amount.minor)
    .slice(0, 3)
    .map((minor) => money(minor, amount.currency))
}
