import { splitDifference, unitsTaken, unitsTakenOf } from '@/core/buying'
import type { Day } from '@/core/day'
import {
  isZeroMoney,
  larger,
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
import type { CostShareRow } from '@/data/queries/costShare'
import { insertMoves, listPassing, sumCameAfter, type MoveRow } from '@/data/queries/stock'
import type { Work } from '../command'
import { stockOn, type Stock } from '../goods/stockOn'
import { movesOfLine } from './movesOfLine'

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
  const moves = await movesOfLine(w, line)
  const left = line.quantity.minus(line.returned)
  const first = moves[0]
  if (!first) return []
  if (goods.costing === 'average') {
    const free = freeOf(stock, goods, first)
    if (!free) return []
    const newer = await sumCameAfter(w.tx, goods.id, { on: line.on, id: first.id })
    const quantity = smaller(free.quantity.minus(newer), left)
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

/** Whom what went to cost belongs to: the sales that took just these units, and nobody for what no sale took. */
const sharesOf = async (
  w: Work,
  goods: Goods,
  line: ReceivedLineRow,
  { toCost, gone }: { readonly toCost: Money; readonly gone: Decimal },
): Promise<readonly CostShareRow[]> => {
  if (isZeroMoney(toCost)) return []
  const moves = await movesOfLine(w, line)
  const batchIds = moves.flatMap((m) => m.batchId ?? [])
  const isAverage = goods.costing === 'average' && batchIds.length === 0
  const passing = await listPassing(w.tx, goods.id, isAverage ? [] : batchIds)
  const taken = isAverage
    ? unitsTaken(
        passing,
        passing.findIndex((p) => p.id === moves[0]?.id),
      )
    : unitsTakenOf(passing)
  const known = taken.reduce((sum, t) => sum.plus(t.quantity), ZERO)
  const shares = [...taken, { saleLineId: null, quantity: larger(gone.minus(known), ZERO) }].filter((t) =>
    t.quantity.gt(0),
  )
  if (shares.length === 0) return [{ goodsId: goods.id, saleLineId: null, amount: toCost.minor }]
  const amounts = splitMoney(
    toCost,
    shares.map((t) => t.quantity),
  )
  return shares.map((t, i) => ({ goodsId: goods.id, saleLineId: t.saleLineId, amount: present(amounts[i]).minor }))
}

/** Where a difference in worth went, and whose the part of it is that is cost of goods sold. */
export interface MovedWorth {
  readonly toStock: Money
  readonly toCost: Money
  readonly shares: readonly CostShareRow[]
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
): Promise<MovedWorth> => {
  const none = zeroMoney(w.currency)
  if (difference.minor === 0n) return { toStock: none, toCost: none, shares: [] }
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
  const toCost = subtractMoney(difference, toStock)
  const gone = larger(of.minus(there), ZERO)
  return { toStock, toCost, shares: await sharesOf(w, goods, line, { toCost, gone }) }
}
