import type { Day } from '@/core/day'
import { findGoods } from '@/data/queries/goods'
import { present } from '@/core/present'
import type { MoveRow } from '@/data/queries/stock'
import type { Work } from '../command'
import { planLeaving } from './planLeaving'
import { writeStockPaper } from './writeStockPaper'

/** Writes off what just came in, from where it came to: what it costs goes to stock adjustments. */
export const scrap = async (
  w: Work,
  came: readonly MoveRow[],
  paper: { readonly on: Day; readonly reason: string },
): Promise<void> => {
  const goods = await findGoods(
    w.tx,
    came.map((m) => m.goodsId),
  )
  const { moves } = await planLeaving(
    w,
    came.map(({ goodsId, placeId, batchId, quantity }) => ({
      goods: present(goods.get(goodsId)),
      quantity,
      from: [{ placeId, batchId: batchId ?? undefined, quantity }],
    })),
    { on: paper.on },
  )
  await writeStockPaper(w, moves, { kind: 'stock-adjustment', ...paper })
}
