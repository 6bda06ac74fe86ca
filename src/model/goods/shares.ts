import { ZERO, type Decimal } from '@/core/money'
import type { Day } from '@/core/day'
import { setAsideInTurn, type Share, type Waiting } from '@/core/stock'
import type { Db } from '@/data/connect'
import { sumUsable } from '@/data/queries/stock'
import { listWaiting } from '@/data/queries/waiting'

/** What those who wait get of what may be handed over, in their turn. */
export const sharesOf = <W extends Waiting>(
  waiting: readonly W[],
  usable: ReadonlyMap<number, Decimal>,
): readonly (W & Share)[] => {
  const shares = setAsideInTurn(waiting, (goodsId) => usable.get(goodsId) ?? ZERO)
  return waiting.map((w, i) => ({ ...w, ...(shares[i] ?? { wanted: ZERO, given: ZERO }) }))
}

/** What of these goods may be handed over, and what those who wait for them, or for kits of them, get of it in their turn. */
export const readTurns = async (db: Db, goodsIds: readonly number[], today: Day) => {
  const waiting = await listWaiting(db, goodsIds)
  const usable = await sumUsable(db, [...goodsIds, ...waiting.map((w) => w.goodsId)], today)
  return { usable, shares: sharesOf(waiting, usable) }
}

/** What those who wait get set aside of what lies there, in their turn; what is past is set aside for nobody. */
export const shareOut = async <W extends Waiting>(
  db: Db,
  waiting: readonly W[],
  today: Day,
): Promise<readonly (W & Share)[]> => {
  const ids = waiting.map((w) => w.goodsId)
  return sharesOf(waiting, await sumUsable(db, ids, today))
}
