import type { Day } from '@/core/day'
import type { Db } from '@/data/connect'
import { listAllWaitingFor } from '@/data/queries/waiting'
import { shareOut } from './shares'

/** A sale that has goods set aside now. */
export interface CanGo {
  readonly saleId: number
  readonly number: number
  readonly customer: string
}

/** Who waits for goods and has all of them that its line needs set aside: they can go now, oldest order first. */
export const readCanGo = async (db: Db, goodsIds: readonly number[], today: Day): Promise<readonly CanGo[]> => {
  if (goodsIds.length === 0) return []
  const sales = new Map<number, CanGo>()
  for (const w of await shareOut(db, await listAllWaitingFor(db), today))
    if (goodsIds.includes(w.goodsId) && (w.isKit ? w.given.gt(0) : w.given.gte(w.wanted)))
      sales.set(w.saleId, { saleId: w.saleId, number: w.saleNumber, customer: w.customer })
  return [...sales.values()]
}
