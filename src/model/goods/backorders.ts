import { ZERO, type Decimal } from '@/core/money'
import { setAsideInTurn } from '@/core/stock'
import { listAllWaiting, type WaitingFor } from '@/data/queries/waiting'
import { sumUsable } from '@/data/queries/stock'
import type { Where } from '../where'

/** What is ordered and not there: how many of it are set aside, and how many are missing. */
export interface Backorder extends WaitingFor {
  readonly setAside: Decimal
  readonly short: Decimal
}

/** Whoever waits for goods that are not in stock, oldest agreement first; kits as their parts. */
export const readBackorders = async ({ db, today }: Where): Promise<readonly Backorder[]> => {
  const waiting = await listAllWaiting(db)
  const shelves = await sumUsable(
    db,
    waiting.map((w) => w.goodsId),
    today,
  )
  const shares = setAsideInTurn(waiting, (goodsId) => shelves.get(goodsId) ?? ZERO)
  return waiting
    .map((w, i) => {
      const got = shares[i] ?? ZERO
      return { ...w, setAside: got, short: w.waiting.minus(got) }
    })
    .filter((b) => b.short.gt(0))
}
