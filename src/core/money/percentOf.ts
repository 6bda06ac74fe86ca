import type { Money } from './money'

/**
 * What part of a whole an amount is, in percent cut to two places, for drawing: 0 where the whole is zero or less.
 *
 * @example percentOf(money(1_00n, 'USD'), money(3_00n, 'USD')) // 33.33
 */
export const percentOf = (part: Money, whole: Money): number =>
  whole.minor <= 0n ? 0 : Number((part.minor * 10_000n) / whole.minor) / 100
