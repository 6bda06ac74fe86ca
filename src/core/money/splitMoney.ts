import { present } from '@/core/present'
import { decimal, decimalPlaces, type Decimal } from './decimal'
import { money, type Money } from './money'

/**
 * Splits an amount in proportion to weights; the parts always add up to the amount again.
 *
 * Largest remainder: every part is cut toward zero, then the left-over minor units go one by one to the parts that lost
 * most, ties to the earlier part. Weights must not be negative; when all are zero the first part takes everything.
 * A negative amount splits like its positive twin. No weights give no parts (the amount must then be zero).
 *
 * @example splitMoney(money(100_000n, 'USD'), [1, 1, 1].map(decimal)) // 333.34, 333.33, 333.33
 */
export const splitMoney = (amount: Money, weights: readonly Decimal[]): Money[] => {
  if (weights.length === 0) {
    if (amount.minor !== 0n) throw new Error('nothing to split the amount over')
    return []
  }
  if (weights.some((w) => w.lt(0))) throw new Error('weights must not be negative')
  const sign = amount.minor < 0n ? -1n : 1n
  const total = amount.minor * sign
  const places = weights.reduce((most, w) => Math.max(most, decimalPlaces(w)), 0)
  // As whole numbers nothing is rounded, and two hundred parts take no forty places each.
  const shares = weights.map((w) => BigInt(w.toFixed(places).replace('.', '')))
  const all = shares.reduce((a, b) => a + b, 0n)
  if (all === 0n) return weights.map((_, i) => money(i === 0 ? amount.minor : 0n, amount.currency))

  const whole = shares.map((share) => (total * share) / all)
  let left = total - whole.reduce((a, b) => a + b, 0n)
  const byLoss = shares
    .map((share, index) => ({ index, lost: (total * share) % all }))
    .sort((a, b) => (a.lost === b.lost ? a.index - b.index : a.lost < b.lost ? 1 : -1))
  for (const { index } of byLoss) {
    if (left === 0n) break
    whole[index] = present(whole[index]) + 1n
    left -= 1n
  }
  return whole.map((minor) => money(minor * sign, amount.currency))
}

/**
 * An amount shared over other amounts in proportion to them; see `splitMoney` for who gets the remainder.
 *
 * @example shareMoney(usd('10.00'), [usd('200.00'), usd('100.00')]) // 6.67, 3.33
 */
export const shareMoney = (amount: Money, over: readonly Money[]): Money[] =>
  splitMoney(
    amount,
    over.map((o) => decimal(o.minor)),
  )

interface Shared {
  readonly whole: Money
  readonly wholeBefore?: Money
  readonly before: Money
  readonly part: Money
}

/**
 * The share of an amount that goes with one part of a whole, where the parts come one after the other: what all parts so
 * far come to, rounded once, less what the parts before came to. So the shares of all parts add up to the amount exactly,
 * and a part beyond the whole takes nothing more. Where a part moved the whole (other tax rates), `wholeBefore` is what the
 * parts before were shared over.
 *
 * @example 10.01 over two halves: 5.01 and 5.00
 */
export const shareInTurn = (amount: Money, { whole, wholeBefore = whole, before, part }: Shared): Money => {
  const upTo = (minor: bigint, whole: Money): bigint =>
    whole.minor <= 0n || minor >= whole.minor
      ? amount.minor
      : minor <= 0n
        ? 0n
        : (2n * amount.minor * minor + whole.minor) / (2n * whole.minor)
  const taken = wholeBefore.minor <= 0n ? 0n : upTo(before.minor, wholeBefore)
  return money(upTo(before.minor + part.minor, whole) - taken, amount.currency)
}
