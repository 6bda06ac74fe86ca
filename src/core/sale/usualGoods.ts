import { present } from '@/core/present'
import { decimal, ZERO, type Decimal } from '../money'
import { compareDays, daysBetween, type Day } from '../day'
import { rowsBy } from '../rowsBy'

/** One time a customer took something. */
export interface Taking {
  readonly goodsId: number
  readonly on: Day
  readonly quantity: Decimal
  readonly unitPrice: Decimal
}

export interface UsualThing {
  readonly goodsId: number
  readonly lastOn: Day
  readonly lastQuantity: Decimal
  readonly lastPrice: Decimal
  readonly times: number
  readonly quantity: Decimal
  /** Taken in a month on average, since the first time; to one place. */
  readonly perMonth: Decimal
}

/** A month, for averages: 365.25 ÷ 12 days. */
const MONTH = decimal('30.4375')

/**
 * What a customer usually takes, from their takings in the order they happened: the most often taken first and of
 * those the latest. The average counts from the first
 * time through `today`, and never less than one month, so that one purchase of yesterday is not thirty a month.
 */
export const usualGoods = (takings: readonly Taking[], today: Day): UsualThing[] => {
  return [...rowsBy(takings, (t) => t.goodsId)]
    .map(([goodsId, of]): UsualThing => {
      const sorted = [...of].sort((a, b) => compareDays(a.on, b.on))
      const last = present(sorted.at(-1))
      const quantity = of.reduce((sum, t) => sum.plus(t.quantity), ZERO)
      const months = decimal(daysBetween(present(sorted[0]).on, today)).div(MONTH)
      return {
        goodsId,
        lastOn: last.on,
        lastQuantity: last.quantity,
        lastPrice: last.unitPrice,
        times: of.length,
        quantity,
        perMonth: quantity.div(months.lt(1) ? 1 : months).round(1),
      }
    })
    .sort((a, b) => b.times - a.times || (a.lastOn < b.lastOn ? 1 : -1))
}
