import { chooseSeller, costFrom } from '@/core/buying'
import type { Day } from '@/core/day'
import { decimal, ZERO, type Decimal } from '@/core/money'
import { unitCost } from '@/core/stock'
import type { Db } from '@/data/connect'
import type { Goods } from '@/data/queries/goods'
import { listLastCosts } from '@/data/queries/lastCosts'
import { sumShelves } from '@/data/queries/stock'
import { listGoodsSuppliers } from '@/data/queries/suppliers'

const ONE = decimal(1)

/** What one of each thing that never moved is asked for, by whom it would be bought from; nothing where nobody says. */
const readAsked = async (db: Db, goodsIds: readonly number[], on: Day) => {
  const sellers = await listGoodsSuppliers(db, goodsIds)
  return (goodsId: number): Decimal | null => {
    const chosen = chooseSeller(
      sellers.filter((s) => s.goodsId === goodsId),
      { quantity: ONE, on },
    )
    return chosen ? costFrom(chosen.seller, { quantity: chosen.quantity, on }) : null
  }
}

/**
 * What one of each thing costs now: the average of what lies on the shelf; where none does, what the last one cost, so that what is
 * bought for a sale is no gift; where none ever did, what its supplier asks. A kit costs what its parts do; work and charges nothing.
 */
export const readUnitCosts = async (
  db: Db,
  goods: readonly Goods[],
  { currency, today }: { readonly currency: string; readonly today: Day },
): Promise<(goodsId: number) => Decimal> => {
  const ids = [
    ...new Set(
      goods.flatMap((g) => (g.kind === 'stock' ? [g.id] : g.kind === 'kit' ? g.parts.map((p) => p.goodsId) : [])),
    ),
  ]
  const shelves = await sumShelves(db, ids, currency)
  const nowhere = ids.filter((id) => !shelves.get(id)?.quantity.gt(0))
  const last = await listLastCosts(db, nowhere, today, currency)
  const asked = await readAsked(
    db,
    nowhere.filter((id) => !last.has(id)),
    today,
  )
  const ofOne = (id: number): Decimal => {
    const shelf = shelves.get(id)
    return shelf?.quantity.gt(0) ? unitCost(shelf) : (last.get(id) ?? asked(id) ?? ZERO)
  }
  const byId = new Map(goods.map((g) => [g.id, g]))
  return (goodsId) => {
    const g = byId.get(goodsId)
    if (g?.kind === 'kit') return g.parts.reduce((sum, p) => sum.plus(ofOne(p.goodsId).times(p.quantity)), ZERO)
    return ofOne(goodsId)
  }
}
