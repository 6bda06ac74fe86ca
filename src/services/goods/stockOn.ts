import type { Day } from '@/core/day'
import { subtractMoney, zeroMoney, ZERO, type Decimal, type Money } from '@/core/money'
import { present } from '@/core/present'
import {
  leaveOn,
  pilesNow,
  pilesOn,
  poolOf,
  shelfOn,
  type Pile,
  type PileAt,
  type PileChange,
  type Shelf,
  type ShelfOn,
} from '@/core/stock'
import { rowsBy } from '@/core/rowsBy'
import { findBatches } from '@/data/queries/batch'
import type { Goods } from '@/data/queries/goods'
import { listPileChanges, lockStock } from '@/data/queries/stock'
import type { Work } from '../command'

/** What lies of some goods on a day, pile by pile, and what each pool of them is worth; lowered by what is taken. */
export interface Stock {
  readonly on: Day
  piles: readonly Pile[]
  readonly pools: Map<string, ShelfOn>
}

/** Locks goods, and says what lay of them on a day. Nothing is dated after today, so today only the sums count. */
export const stockOn = async (w: Work, goods: readonly Goods[], on: Day): Promise<Stock> => {
  const ids = goods.map((g) => g.id)
  const now = await lockStock(w.tx, ids, w.currency)
  if (on >= w.today) {
    const batches = await findBatches(w.tx, batchIds(now.piles))
    return {
      on,
      piles: pilesNow(now.piles, batches),
      pools: new Map([...now.pools].map(([key, shelf]) => [key, { shelf, free: shelf, now: shelf }])),
    }
  }
  const changes = await listPileChanges(w.tx, ids)
  const batches = await findBatches(w.tx, batchIds(changes))
  return {
    on,
    piles: pilesOn(changes, batches, on),
    pools: poolsOn(goods, changes, now.pools, { on, currency: w.currency }),
  }
}

const batchIds = (piles: readonly PileAt[]): number[] => piles.flatMap((p) => p.batchId ?? [])

const sameBin = (a: PileAt, b: PileAt): boolean =>
  a.goodsId === b.goodsId && a.placeId === b.placeId && a.batchId === b.batchId

const poolsOn = (
  goods: readonly Goods[],
  changes: readonly PileChange[],
  now: ReadonlyMap<string, Shelf>,
  { on, currency }: { readonly on: Day; readonly currency: string },
): Map<string, ShelfOn> => {
  const costings = new Map(goods.map((g) => [g.id, g.costing]))
  const pools = rowsBy(changes, (c) => poolOf(present(costings.get(c.goodsId)), c))
  const empty = { quantity: ZERO, value: zeroMoney(currency) }
  return new Map(
    [...pools].map(([key, mine]) => [
      key,
      shelfOn(
        now.get(key) ?? empty,
        {
          quantity: mine.map((c) => ({ on: c.on, by: c.quantity })),
          value: mine.map((c) => ({ on: c.on, by: c.value })),
        },
        on,
      ),
    ]),
  )
}

/** Takes so many from a pile, and answers what they cost; null where they are worth more now than lay there on that day. */
export const takeFromPile = (stock: Stock, goods: Goods, at: PileAt, quantity: Decimal): Money | null => {
  const key = poolOf(goods.costing, at)
  const pool = present(stock.pools.get(key))
  const cost = leaveOn(pool, quantity)
  if (!cost) return null
  const less = (s: Shelf): Shelf => ({ quantity: s.quantity.minus(quantity), value: subtractMoney(s.value, cost) })
  stock.pools.set(key, { shelf: less(pool.shelf), free: less(pool.free), now: less(pool.now) })
  stock.piles = stock.piles.map((p) =>
    sameBin(p, at) ? { ...p, now: p.now.minus(quantity), on: p.on.minus(quantity), free: p.free.minus(quantity) } : p,
  )
  return cost
}
