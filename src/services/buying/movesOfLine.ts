import { ZERO } from '@/core/money'
import { listReceivedLines, type ReceivedLineRow } from '@/data/queries/goodsReceived'
import { listMovesOfPaper, type MoveRow } from '@/data/queries/stock'
import type { Work } from '../command'

/** The moves with which a line came in: of several lines of the same goods each has its own. */
export const movesOfLine = async (
  w: Work,
  line: ReceivedLineRow,
): Promise<readonly (MoveRow & { readonly id: number })[]> => {
  const all = (await listMovesOfPaper(w.tx, 'goods-received', line.receivedId, w.currency)).filter(
    (m) => m.goodsId === line.goodsId,
  )
  const before = (await listReceivedLines(w.tx, { receivedIds: [line.receivedId] }))
    .filter((l) => l.goodsId === line.goodsId && l.id < line.id)
    .reduce((sum, l) => sum.plus(l.quantity), ZERO)
  let passed = ZERO
  return all.filter((m) => {
    const from = passed
    passed = passed.plus(m.quantity)
    return passed.gt(before) && from.lt(before.plus(line.quantity))
  })
}
