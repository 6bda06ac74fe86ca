import { larger, ZERO, type Decimal } from '@/core/money'
import type { Day } from '@/core/day'
import { setAside } from '@/core/stock'
import { listAllWaiting } from '@/data/queries/backorders'
import { sumShelves } from '@/data/queries/stock'
import type { Where } from '../where'

/** Goods a customer has ordered and that are not there. */
export interface Backorder {
  readonly saleId: number
  readonly saleNumber: number
  readonly customer: string
  readonly goodsId: number
  readonly goods: string
  /** When it was agreed, and for when it is wanted; null where nothing was said. */
  readonly since: Day
  readonly wantedBy: Day | null
  readonly waiting: Decimal
  readonly setAside: Decimal
  readonly short: Decimal
}

/** Whoever waits for goods that are not in stock, oldest agreement first; kits as their parts. */
export const readBackorders = async ({ db, currency }: Where): Promise<readonly Backorder[]> => {
  const waiting = await listAllWaiting(db)
  const shelves = await sumShelves(
    db,
    waiting.map((w) => w.goodsId),
    currency,
  )
  return [...new Set(waiting.map((w) => w.goodsId))].flatMap((goodsId) => {
    const queue = waiting.filter((w) => w.goodsId === goodsId)
    const kept = setAside(
      shelves.get(goodsId)?.quantity ?? ZERO,
      queue.map((w) => w.waiting),
    )
    return queue.flatMap((w, i) => {
      const got = kept[i] ?? ZERO
      const short = larger(w.waiting.minus(got), ZERO)
      return short.gt(0) ? [{ ...w, setAside: got, short }] : []
    })
  })
}
