import { ZERO } from '@/core/money'
import type { Day } from '@/core/day'
import { setAsideInTurn, type Share, type Waiting } from '@/core/stock'
import type { Db } from '@/data/connect'
import { sumUsable } from '@/data/queries/stock'

/** What those who wait get set aside of what lies there, in their turn; what is past is set aside for nobody. */
export const shareOut = async <W extends Waiting>(
  db: Db,
  waiting: readonly W[],
  today: Day,
): Promise<readonly (W & Share)[]> => {
  const there = await sumUsable(
    db,
    waiting.map((w) => w.goodsId),
    today,
  )
  const shares = setAsideInTurn(waiting, (goodsId) => there.get(goodsId) ?? ZERO)
  return waiting.map((w, i) => ({ ...w, ...(shares[i] ?? { wanted: ZERO, given: ZERO }) }))
}
