import type { Day } from '@/core/day'
import { ZERO, type Decimal } from '@/core/money'
import { listComing } from '@/data/queries/purchaseOrder'
import { listAllWaitingFor, type WaitingFor } from '@/data/queries/waiting'
import type { Where } from '../where'
import { shareOut } from './shares'

/** What is ordered and not there: how many of it are set aside, and how many are missing. */
export interface Backorder extends WaitingFor {
  readonly setAside: Decimal
  readonly short: Decimal
  /** How many are on order of a supplier, and when the first of them comes. */
  readonly onOrder: Decimal
  readonly comesOn: Day | null
}

/** Whoever waits for goods that are not in stock, oldest agreement first; kits as their parts. */
export const readBackorders = async ({ db, today }: Where): Promise<readonly Backorder[]> => {
  const short = (await shareOut(db, await listAllWaitingFor(db), today)).filter((w) => w.wanted.gt(w.given))
  const coming = await listComing(
    db,
    short.map((w) => w.goodsId),
  )
  return short.map((w) => ({
    ...w,
    waiting: w.wanted,
    setAside: w.given,
    short: w.wanted.minus(w.given),
    onOrder: coming.get(w.goodsId)?.quantity ?? ZERO,
    comesOn: coming.get(w.goodsId)?.on ?? null,
  }))
}
