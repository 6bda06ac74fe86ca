import { splitDifference } from '@/core/buying'
import type { Day } from '@/core/day'
import {
  smaller,
  splitMoney,
  sumMoney,
  zeroMoney,
  ZERO,
  type Decimal,
  type Money,
  largerMoney,
  negateMoney,
  subtractMoney,
} from '@/core/money'
import { present } from '@/core/present'
import { poolOf, type Pile } from '@/core/stock'
import { findGoods, type Goods } from '@/data/queries/goods'
import type { ReceivedLineRow } from '@/data/queries/goodsReceived'
import { insertMoves, listMovesOfPaper, sumCameAfter, type MoveRow } from '@/data/queries/stock'
import type { Work } from '../command'
import { stockOn, type Stock } from '../goods/stockOn'

/** What of a line that came still lies somewhere, pool by pool. */
interface Here {
  readonly at: Pick<MoveRow, 'placeId' | 'batchId'>
  readonly quantity: Decimal
  /** What may be taken off its worth. */
  readonly most: Money
}

const freeOf = (stock: Stock, goods: Goods, pile: Pick<Pile, 'placeId' | 'batchId'>) =>
  stock.pools.get(poolOf(goods.costing, { goodsId: goods.id, ...pile }))?.free

/** At average cost what is on hand is taken to be what came last; told apart, it is the very pieces that came. */
const stillHere = async (w: Work, goods: Goods, line: ReceivedLineRow, stock: Stock): Promise<readonly Here[]> => {
  const moves = (await listMovesOfPaper(w.tx, 'goods-received', line.receivedId, w.currency)).filter(
    (m) => m.goodsId === goods.id,
  )
  const first = moves[0]
  if (!first) return []
  if (goods.costing === 'average') {
    const free = freeOf(stock, goods, first)
    if (!free) return []
    const newer = await sumCameAfter(w.tx, goods.id, { on: line.on, id: first.id })
    const quantity = smaller(free.quantity.minus(newer), line.quantity)
    return quantity.gt(0) ? [{ at: first, quantity, most: free.value }] : []
  }
  const batches = new Set(moves.map((m) => m.batchId))
  return stock.piles
    .filter((p) => p.goodsId === goods.id && batches.has(p.batchId) && p.free.gt(0))
    .flatMap((p) => {
      const free = freeOf(stock, goods, p)
      const quantity = free ? smaller(p.free, free.quantity) : ZERO
      return free && quantity.gt(0) ? [{ at: p, quantity, most: free.value }] : []
    })
}

/**
 * Gives goods that came another worth from a day on: as far as they still lie here it goes to stock, else to cost of goods sold.
 * Writes the moves of it and answers what went where.
 */
export const moveWorth = async (
  w: Work,
  line: ReceivedLineRow,
  difference: Money,
  {
    of,
    on,
    paper,
  }: { readonly of: Decimal; readonly on: Day; readonly paper: { readonly kind: string; readonly id: number } },
): Promise<{ readonly toStock: Money; readonly toCost: Money }> => {
  const none = zeroMoney(w.currency)
  if (difference.minor === 0n) return { toStock: none, toCost: none }
  const goods = present((await findGoods(w.tx, [line.goodsId])).get(line.goodsId))
  const stock = await stockOn(w, [goods], on)
  const here = await stillHere(w, goods, line, stock)
  const there = here.reduce((sum, h) => sum.plus(h.quantity), ZERO)
  const most = sumMoney(
    here.map((h) => h.most),
    w.currency,
  )
  const split = splitDifference(difference, { here: there, of, most })
  const shares = splitMoney(
    split.toStock,
    here.map((h) => h.quantity),
  )
  const moves = here.map((h, i): MoveRow => {
    const { placeId, batchId } = h.at
    // What takes from its worth takes no more than lies in its pool.
    const share = present(shares[i])
    const value = largerMoney(share, negateMoney(h.most))
    return { goodsId: goods.id, placeId, batchId, on, quantity: ZERO, value }
  })
  const moved = moves.filter((m) => m.value.minor !== 0n)
  await insertMoves(w.tx, moved, paper)
  const toStock = sumMoney(
    moved.map((m) => m.value),
    w.currency,
  )
  return { toStock, toCost: subtractMoney(difference, toStock) }
}
