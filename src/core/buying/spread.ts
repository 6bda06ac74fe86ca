import type { SpreadBy } from '../kinds'
import { decimal, splitMoney, toDecimal, ZERO, type Decimal, type Money } from '../money'
import { readSize, volumeOf } from '../parcel'

/** Goods that came, as a cost is spread over them. Weight in kilograms for one, size as text in centimetres. */
export interface SpreadOver {
  readonly quantity: Decimal
  readonly value: Money
  readonly weight: Decimal | null
  readonly size: string
}

const weightBy = (by: SpreadBy, { quantity, value, weight, size }: SpreadOver): Decimal => {
  switch (by) {
    case 'value':
      return toDecimal(value)
    case 'quantity':
      return quantity
    case 'weight':
      return quantity.times(weight ?? ZERO)
    case 'volume': {
      const sides = readSize(size)
      return sides ? quantity.times(volumeOf(sides)) : decimal(0)
    }
  }
}

/**
 * A cost spread over goods that came, by what they are worth, how many, how heavy or how large they are: shares that add up to
 * it, by largest remainder. Null where nothing of them is known to spread it by.
 *
 * @example 10.00 by quantity over 1 and 2 → 3.33, 6.67
 */
export const spreadCost = (amount: Money, over: readonly SpreadOver[], by: SpreadBy): readonly Money[] | null => {
  const weights = over.map((o) => weightBy(by, o))
  return weights.every((x) => x.eq(0)) ? null : splitMoney(amount, weights)
}
