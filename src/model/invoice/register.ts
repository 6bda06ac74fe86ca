import { findCustomer } from '@/data/queries/customers'
import { findGoods } from '@/data/queries/goods'
import type { Part } from '@/data/queries/inOrder'
import { listRegister, narrowRegister, sumRegister, type InvoiceFilter } from '@/data/queries/invoiceRegister'
import { listSavedViews } from '@/data/queries/savedView'
import type { Where } from '../where'

export type { InvoiceFilter, RegisterRow } from '@/data/queries/invoiceRegister'

/** Invoices that fit, and what all of them come to, credit notes taken off; null where too many hold the words typed. */
export const readRegister = async ({ db, today, currency }: Where, filter: InvoiceFilter, part: Part) => {
  const about = { today, currency }
  const narrowed = await narrowRegister(db, filter)
  const [rows, sums] = await Promise.all([listRegister(db, narrowed, part, about), sumRegister(db, narrowed, about)])
  return { rows, sums }
}

/** The lists kept by name, and the names of whom and what the register is narrowed to. */
export const readRegisterNames = async (
  { db, currency }: Where,
  filter: { readonly customer: number | null; readonly goods: number | null },
) => {
  const [views, customer, goods] = await Promise.all([
    listSavedViews(db, 'invoices'),
    filter.customer ? findCustomer(db, filter.customer, currency) : null,
    filter.goods ? findGoods(db, [filter.goods]) : null,
  ])
  return { views, customer: customer?.name ?? null, goods: goods ? ([...goods.values()][0]?.name ?? null) : null }
}
