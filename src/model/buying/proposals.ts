import { chooseSeller } from '@/core/buying'
import { decimal, larger, ZERO } from '@/core/money'
import { rowsBy } from '@/core/rowsBy'
import type { Share } from '@/core/stock'
import type { Db } from '@/data/connect'
import { listBelowReorder, listToReorder, sumOnOrder } from '@/data/queries/purchaseOrder'
import { sumUsable } from '@/data/queries/stock'
import { listGoodsSuppliers } from '@/data/queries/suppliers'
import { listAllWaiting, type WaitingOfSale } from '@/data/queries/waiting'
import { leftFree } from '../goods/goods'
import { sharesOf } from '../goods/shares'
import type { Asked } from '../where'

/** What all who wait for a thing want of it, what of that they are short of, and the sales that are. */
const askedBy = (everybody: readonly (WaitingOfSale & Share)[]) => {
  const lacking = everybody.filter((w) => w.wanted.gt(w.given))
  return {
    wanted: everybody.reduce((sum, w) => sum.plus(w.wanted), ZERO),
    short: lacking.reduce((sum, w) => sum.plus(w.wanted).minus(w.given), ZERO),
    saleIds: [...new Set(lacking.map((w) => w.saleId))],
  }
}
const NOBODY = askedBy([])

/** The least that can be asked for: a supplier makes a pack of it. */
const LEAST = decimal('0.0001')

/**
 * What to order: what all sales are short of, then what fell to its reorder point; less what is ordered already, in drafts too;
 * from the preferred supplier or where its packs cost least.
 */
export const readProposals = async (db: Db, { today }: Pick<Asked, 'today'>) => {
  const [waiting, low] = await Promise.all([listAllWaiting(db), listBelowReorder(db)])
  const usable = await sumUsable(db, [...waiting.map((w) => w.goodsId), ...low], today)
  const all = sharesOf(waiting, usable)
  const asked = new Map([...rowsBy(all, (w) => w.goodsId)].map(([id, everybody]) => [id, askedBy(everybody)]))
  const ids = [...new Set([...[...asked.keys()].filter((id) => asked.get(id)?.short.gt(0)), ...low])]
  const [goods, sold, onOrder] = await Promise.all([
    listToReorder(db, ids),
    listGoodsSuppliers(db, ids),
    sumOnOrder(db, ids, { drafts: true }),
  ])
  const sellers = rowsBy(sold, (s) => s.goodsId)
  return goods.flatMap(({ id, name, reorderAt }) => {
    const { wanted, short, saleIds } = asked.get(id) ?? NOBODY
    const available = leftFree(usable.get(id) ?? ZERO, wanted)
    const coming = onOrder.get(id) ?? ZERO
    const forSales = larger(short.minus(coming), ZERO)
    const left = larger(coming.minus(short), ZERO).plus(available)
    // At its reorder point an order is due; one that brings it up to the point is that order.
    const isLow = reorderAt !== null && (coming.eq(0) ? left.lte(reorderAt) : left.lt(reorderAt))
    const forShelf = isLow ? reorderAt.minus(left) : ZERO
    const needed = forSales.plus(forShelf)
    if (needed.lte(0) && !isLow) return []
    // What is just at its point needs a pack.
    const chosen = chooseSeller(sellers.get(id) ?? [], { quantity: needed.gt(0) ? needed : LEAST, on: today })
    const quantity = chosen?.quantity ?? needed
    if (quantity.lte(0)) return []
    return [
      {
        goodsId: id,
        name,
        supplierId: chosen?.seller.supplierId ?? null,
        supplier: chosen?.seller.name ?? '',
        chosen: chosen?.why ?? null,
        quantity,
        why: forSales.gt(0) ? ('sale' as const) : ('reorder' as const),
        saleIds: forSales.gt(0) ? saleIds : [],
      },
    ]
  })
}

/** What to order, as it is told. */
export const proposalsView = async (...asked: Parameters<typeof readProposals>) =>
  (await readProposals(...asked)).map((p) => ({ ...p, quantity: p.quantity.toString() }))
