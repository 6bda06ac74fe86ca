import { present } from '@/core/present'
import { findCustomer } from '@/data/queries/customers'
import { listRefundsByIds } from '@/data/queries/refund'
import { findSales } from '@/data/queries/sales'
import type { Asked } from '../where'
import { readBillTo } from './billTo'

/** What the receipt of a refund says; null where there is none. */
export const readRefundFacts = async ({ db, business }: Asked, refundId: number) => {
  const [refund] = await listRefundsByIds(db, [refundId], business.currency)
  if (!refund) return null
  const [customer, billTo, sales] = await Promise.all([
    findCustomer(db, refund.customerId, business.currency),
    readBillTo(db, refund.customerId),
    refund.saleId === null ? [] : findSales(db, [refund.saleId], business.currency),
  ])
  return { refund, customer: present(customer), billTo, sale: sales[0] ?? null }
}
