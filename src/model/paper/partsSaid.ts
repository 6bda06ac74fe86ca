import { formatQuantity, ZERO, type Decimal } from '@/core/money'
import type { Db } from '@/data/connect'
import { findGoods } from '@/data/queries/goods'
import { listMovesOfHandovers } from '@/data/queries/stock'

/** Which parts of a kit's line went with a handover: `1 × Violin, 2 × Strings`; of any other line its own goods. */
export const readPartsSaid = async (
  db: Db,
  handoverId: number,
  currency: string,
): Promise<(lineId: number) => string> => {
  const moves = await listMovesOfHandovers(db, [handoverId], currency)
  const goods = await findGoods(
    db,
    moves.map((m) => m.goodsId),
  )
  return (lineId) => {
    const sums = new Map<number, Decimal>()
    for (const m of moves.filter((x) => x.saleLineId === lineId))
      sums.set(m.goodsId, (sums.get(m.goodsId) ?? ZERO).plus(m.quantity.abs()))
    return [...sums].map(([id, n]) => `${formatQuantity(n)} × ${goods.get(id)?.name ?? ''}`).join(', ')
  }
}
