import { orderForSaleInput } from '@/contract/inputs/buying/orderForSale'
import { refuse } from '@/contract/refuse'
import { larger, ZERO, type Decimal } from '@/core/money'
import { present } from '@/core/present'
import { listGoodsSuppliers } from '@/data/queries/suppliers'
import { listPurchaseOfSale } from '@/data/queries/purchaseOrder'
import { orderViews } from '@/model/buying/orders'
import { readStories } from '@/model/sale/readStories'
import { defineCommand, draftDay } from '../command'
import { mustBeAgreed, takeSale } from '../sales/saleWork'
import { fillOrderLines, writeOrder } from './orderGoods'

interface Wanted {
  readonly lineId: number
  readonly goodsId: number
  readonly quantity: Decimal
}

/** What a sale is short of, ordered from the supplier of each thing: one order a supplier, a draft each. */
export const orderForSale = defineCommand(
  'order-for-sale',
  orderForSaleInput,
  async (w, { saleId, on, lines, direct }) => {
    const locked = await takeSale(w, saleId)
    mustBeAgreed(locked)
    const [story] = await readStories(w.tx, [saleId], w.business, w.today)
    const coming = await listPurchaseOfSale(w.tx, saleId)
    const wanted = present(story).lines.flatMap((l): Wanted[] => {
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
        refuse({
          code: 'invalid',
          errors: [{ path: `lines.${i}.lineId`, message: 'This is no line of goods in stock on the sale.' }],
        })
    if (wanted.length === 0) refuse({ code: 'nothing-to-order' })
    const sold = await listGoodsSuppliers(
      w.tx,
      wanted.map((x) => x.goodsId),
    )
    const bySupplier = new Map<number, Wanted[]>()
    for (const x of wanted) {
      const supplier = sold.find((s) => s.goodsId === x.goodsId)
      if (!supplier)
        return refuse({
          code: 'no-supplier',
          goods: present(story).lines.find((l) => l.id === x.lineId)?.description ?? '',
        })
      bySupplier.set(supplier.supplierId, [...(bySupplier.get(supplier.supplierId) ?? []), x])
    }
    const ids: number[] = []
    for (const [supplierId, mine] of bySupplier) {
      const filled = await fillOrderLines(
        w,
        supplierId,
        mine.map((x) => ({ goodsId: x.goodsId, quantity: x.quantity, saleLineId: x.lineId })),
      )
      ids.push(
        await writeOrder(w, { supplierId, onDay: draftDay(w, on), direct, wantedBy: locked.sale.wantedBy }, filled),
      )
    }
    return {
      id: present(ids[0]),
      answer: async () => ({ orders: [...(await orderViews(w.tx, { ids }, {}, w.currency))].reverse() }),
    }
  },
)
