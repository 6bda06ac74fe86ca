import { ZERO } from '@/core/money'
import type { Day } from '@/core/day'
import { setAsideInTurn } from '@/core/stock'
import type { Db } from '@/data/connect'
import { sumUsable } from '@/data/queries/stock'
import { listAllWaiting } from '@/data/queries/waiting'

/** A sale that has goods set aside now. */
export interface CanGo {
  readonly saleId: number
  readonly number: number
  readonly customer: string
}

/** Who waits for goods and has all of them that its line needs set aside: they can go now, oldest order first. */
export const readCanGo = async (db: Db, goodsIds: readonly number[], today: Day): Promise<readonly CanGo[]> => {
  if (goodsIds.length === 0) return []
  const waiting = (await listAllWaiting(db)).filter((w) => goodsIds.includes(w.goodsId))
  const there = await sumUsable(db, goodsIds, today)
  const shares = setAsideInTurn(waiting, (goodsId) => there.get(goodsId) ?? ZERO)
  const sales = new Map<number, CanGo>()
  waiting.forEach((w, i) => {
    if (shares[i]?.gte(w.waiting)) sales.set(w.saleId, { saleId: w.saleId, number: w.saleNumber, customer: w.customer })
  })
  return [...sales.values()]
}
