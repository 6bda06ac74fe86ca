import { findCustomer } from '@/data/queries/customers'
import { findGoods } from '@/data/queries/goods'
import { invoiceFilter, listRegister, sumRegister } from '@/data/queries/invoiceRegister'
import { listSavedViews } from '@/data/queries/savedView'
import type { Where } from '../where'

export { type RegisterRow } from '@/data/queries/invoiceRegister'

/** Invoices that fit what an address asks for, with their sums, the views kept of them, and the names of what is filtered by. */
export const readRegister = async (
  { db, today, currency }: Where,
  query: Readonly<Record<string, string>>,
  page: { readonly limit: number; readonly after?: number },
) => {
  const filter = invoiceFilter(query, currency)
  const about = { today, currency }
  const [rows, sums, views, customer, goods] = await Promise.all([
    listRegister(db, filter, page, about),
    sumRegister(db, filter, about),
    listSavedViews(db, 'invoices'),
    filter.customerId ? findCustomer(db, filter.customerId, currency) : null,
    filter.goodsId ? findGoods(db, [filter.goodsId]) : null,
  ])
  return {
    rows,
    sums,
    views,
    customer: customer && { id: customer.id, name: customer.name },
    goods: goods ? ([...goods.values()][0]?.name ?? null) : null,
  }
}
