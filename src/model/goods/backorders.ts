import type { Decimal } from '@/core/money'
import { listAllWaiting, type WaitingFor } from '@/data/queries/waiting'
import type { Where } from '../where'
import { shareOut } from './shares'

/** What is ordered and not there: how many of it are set aside, and how many are missing. */
export interface Backorder extends WaitingFor {
  readonly setAside: Decimal
  readonly short: Decimal
}

/** Whoever waits for goods that are not in stock, oldest agreement first; kits as their parts. */
export const readBackorders = async ({ db, today }: Where): Promise<readonly Backorder[]> =>
  (await shareOut(db, await listAllWaiting(db), today))
    .map((w) => ({ ...w, waiting: w.wanted, setAside: w.given, short: w.wanted.minus(w.given) }))
    .filter((b) => b.short.gt(0))
