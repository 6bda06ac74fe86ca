import { ZERO, zeroMoney, type Decimal } from '@/core/money'
import { unitCost } from '@/core/stock'
import type { Db } from '@/data/connect'
import type { Goods } from '@/data/queries/goods'
import { sumShelves } from '@/data/queries/stock'

/** What one of each thing costs now: the average on the shelf; for a kit, its parts; nothing for work and charges. */
export const readUnitCosts = async (
  db: Db,
  goods: readonly Goods[],
  currency: string,
): Promise<(goodsId: number) => Decimal> => {
  const shelves = await sumShelves(
    db,
    goods.flatMap((g) => (g.kind === 'stock' ? [g.id] : g.parts.map((p) => p.goodsId))),
    currency,
  )
  const onShelf = (id: number): Decimal => unitCost(shelves.get(id) ?? { quantity: ZERO, value: zeroMoney(currency) })
  const byId = new Map(goods.map((g) => [g.id, g]))
  return (goodsId) => {
    const g = byId.get(goodsId)
    return g?.kind === 'kit'
      ? g.parts.reduce((sum, p) => sum.plus(onShelf(p.goodsId).times(p.quantity)), ZERO)
      : onShelf(goodsId)
  }
}
