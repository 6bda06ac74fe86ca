import { larger, ZERO, type Decimal } from '@/core/money'
import { setAside } from '@/core/stock'
import { listAllWaiting, type WaitingFor } from '@/data/queries/backorders'
import { sumShelves } from '@/data/queries/stock'
import type { Where } from '../where'

/** What is ordered and not there: how many of it are set aside, and how many are missing. */
export interface Backorder extends WaitingFor {
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
