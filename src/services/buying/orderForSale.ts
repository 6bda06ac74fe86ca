import { orderForSaleInput } from '@/contract/inputs/buying/orderForSale'
import { refuse, refuseAt } from '@/contract/refuse'
import { chooseSeller } from '@/core/buying'
import { larger, ZERO } from '@/core/money'
import { present } from '@/core/present'
import { listGoodsSuppliers } from '@/data/queries/suppliers'
import { listPurchaseOfSale } from '@/data/queries/purchaseOrder'
import { readStories } from '@/model/sale/readStories'
import { defineCommand, draftDay } from '../command'
import { mustBeAgreed, takeSale } from '../sales/saleWork'
import { writeOrders, type Wanted } from './orderGoods'

/** What a sale is short of, ordered from the supplier of each thing: one order a supplier, a draft each. */
export const orderForSale = defineCommand(
  'order-for-sale',
  orderForSaleInput,
  async (w, { saleId, on, lines, direct }) => {
    const locked = await takeSale(w, saleId)
    mustBeAgreed(locked)
    const [story] = await readStories(w.tx, [saleId], w.business, w.today)
    const coming = await listPurchaseOfSale(w.tx, saleId)
    const wanted = present(story).lines.flatMap((l) => {
      const asked = lines?.find((x) => x.lineId === l.id)?.quantity
      const onOrder = coming.filter((c) => c.saleLineId === l.id).reduce((sum, c) => sum.plus(c.toCome), ZERO)
      const short = larger(l.toHandOver.minus(l.setAside).minus(onOrder), ZERO)
      const quantity = lines ? (asked ?? ZERO) : short
      return l.kind === 'stock' && l.goodsId !== null && quantity.gt(0)
        ? [{ lineId: l.id, goodsId: l.goodsId, quantity }]
        : []
    })
    for (const [i, l] of (lines ?? []).entries())
      if (!wanted.some((x) => x.lineId === l.lineId))
        refuseAt(`lines.${i}.lineId`, 'This is no line of goods in stock on the sale.')
    if (wanted.length === 0) refuse({ code: 'nothing-to-order' })
    const onDay = draftDay(w, on)
    const sold = await listGoodsSuppliers(
      w.tx,
      wanted.map((x) => x.goodsId),
    )
    const ofSuppliers = wanted.map(({ lineId: saleLineId, goodsId, quantity }): Wanted => {
      const sellers = sold.filter((s) => s.goodsId === goodsId)
      const chosen = chooseSeller(sellers, { quantity, on: onDay })
      const description = present(story).lines.find((l) => l.id === saleLineId)?.description ?? ''
      return chosen
        ? { supplierId: chosen.seller.supplierId, goodsId, quantity, saleLineId }
        : refuse({ code: 'no-supplier', goods: description })
    })
    return writeOrders(w, ofSuppliers, { onDay, direct, wantedBy: locked.sale.wantedBy })
  },
)
