import { purchaseStatus } from '@/core/buying'
import type { Db } from '@/data/connect'
import { listPurchaseLines, listPurchaseOrders } from '@/data/queries/purchaseOrder'

/** Orders to suppliers that hold lines of a sale, the oldest first. */
export const readBoughtFor = async (db: Db, saleId: number) => {
  const orders = await listPurchaseOrders(db, { saleId })
  const lines = await listPurchaseLines(db, { orderIds: orders.map((o) => o.id) })
  return [...orders].reverse().map((o) => ({
    id: o.id,
    number: o.number,
    supplierId: o.supplierId,
    supplier: o.supplier,
    status: purchaseStatus(
      o,
      lines.filter((l) => l.orderId === o.id),
    ),
    wantedBy: o.wantedBy,
  }))
}
