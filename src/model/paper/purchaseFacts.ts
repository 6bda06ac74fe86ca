import { money, sumMoney, type Money } from '@/core/money'
import { present } from '@/core/present'
import { valueAt } from '@/core/stock'
import { listAheadMoves, listBillFills, listBills } from '@/data/queries/bill'
import { listPurchaseLines, listPurchaseOrders, listPurchaseVersions } from '@/data/queries/purchaseOrder'
import { findSales } from '@/data/queries/sales'
import { listSupplierPayments } from '@/data/queries/supplierPayment'
import { findSupplier, listGoodsSuppliers, listSupplierAddresses } from '@/data/queries/suppliers'
import type { SupplierAddressUse } from '@/core/kinds'
import type { Db } from '@/data/connect'
import type { Asked } from '../where'

/** Where an order goes: to us, or straight to the customer of its sale, at their address. */
const goesTo = async ({ db, business }: Asked, direct: boolean, saleIds: readonly number[]) => {
  if (!direct) return business.address ? { address: `${business.name}\n${business.address}`, note: '' } : null
  const [sale] = await findSales(db, saleIds.slice(0, 1), business.currency)
  return sale ? { address: `${sale.customerName}\n${sale.deliverTo}`.trim(), note: sale.deliverNote } : null
}

/** A supplier as a document is addressed to them: at the address of that use, else at their own. */
const readPayee = async (db: Db, supplierId: number, use: SupplierAddressUse) => {
  const [supplier, addresses] = await Promise.all([
    findSupplier(db, supplierId),
    listSupplierAddresses(db, [supplierId]),
  ])
  const { name, address } = present(supplier)
  return { name, address: addresses.find((a) => a.use === use)?.text ?? address }
}

/** Everything that stands on an order to a supplier; null where there is none. */
export const readPurchaseFacts = async (asked: Asked, orderId: number) => {
  const { db, business } = asked
  const [order] = await listPurchaseOrders(db, { id: orderId })
  if (!order) return null
  const lines = await listPurchaseLines(db, { orderIds: [orderId] })
  const [supplier, versions, sold, deliverTo] = await Promise.all([
    readPayee(db, order.supplierId, 'orders'),
    listPurchaseVersions(db, [orderId]),
    listGoodsSuppliers(
      db,
      lines.flatMap((l) => l.goodsId ?? []),
    ),
    goesTo(
      asked,
      order.direct,
      lines.flatMap((l) => l.saleId ?? []),
    ),
  ])
  const theirs = (goodsId: number | null): string =>
    sold.find((s) => s.goodsId === goodsId && s.supplierId === order.supplierId)?.code ?? ''
  return {
    order,
    supplier,
    version: Math.max(1, ...versions.map((v) => v.n)),
    deliverTo,
    lines: lines.map((l) => ({
      description: l.description,
      // They know a thing by their own name for it.
      code: theirs(l.goodsId) || (l.code ?? ''),
      quantity: l.quantity,
      unitCost: l.unitCost,
      net: valueAt(l.unitCost, l.quantity, business.currency),
    })),
  }
}

/** What a payment to a supplier pays; null where there is none. */
export const readRemittanceFacts = async ({ db, business }: Asked, paymentId: number) => {
  const { currency } = business
  const [payment] = await listSupplierPayments(db, { id: paymentId })
  if (!payment) return null
  const fills = await listBillFills(db, { paymentId })
  const [bills, supplier, moves] = await Promise.all([
    listBills(db, { ids: [...new Set(fills.map((f) => f.billId))] }),
    readPayee(db, payment.supplierId, 'checks'),
    listAheadMoves(db, payment.supplierId),
  ])
  const sumOf = (kind: 'payment' | 'discount', billId?: number): Money =>
    sumMoney(
      fills
        .filter((f) => f.kind === kind && (billId === undefined || f.billId === billId))
        .map((f) => money(f.amount, currency)),
      currency,
    )
  return {
    payment,
    supplier,
    amount: money(payment.amount, currency),
    discount: sumOf('discount'),
    ahead: sumMoney(
      moves.filter((m) => m.paymentId === paymentId && m.amount > 0n).map((m) => money(m.amount, currency)),
      currency,
    ),
    bills: [...bills].reverse().map((b) => ({ theirNumber: b.theirNumber, on: b.onDay, paid: sumOf('payment', b.id) })),
  }
}
