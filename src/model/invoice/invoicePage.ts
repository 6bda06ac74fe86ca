import { subtractMoney, sumMoney } from '@/core/money'
import { present } from '@/core/present'
import { listDuesOfInvoice } from '@/data/queries/due'
import { findInvoice, listCreditsOf } from '@/data/queries/invoices'
import { findSales } from '@/data/queries/sales'
import { readEntriesOf } from '../books/entry'
import type { Where } from '../where'

/** An invoice with its dues, its credit notes, what is open of it and what may still be credited; null where there is none. */
export const readInvoicePage = async (where: Where, id: number) => {
  const { db, currency } = where
  const invoice = await findInvoice(db, id, currency)
  if (!invoice) return null
  const [dues, posted, credits, sales] = await Promise.all([
    listDuesOfInvoice(db, id, currency),
    readEntriesOf(where, { kind: 'invoice', id }),
    listCreditsOf(db, id, currency),
    findSales(db, [invoice.saleId], currency),
  ])
  const open = sumMoney(
    dues.map((d) => d.open),
    currency,
  )
  const credited = sumMoney(
    credits.map((c) => c.gross),
    currency,
  )
  return {
    invoice,
    dues,
    posted,
    credits,
    sale: present(sales[0]),
    open,
    left: subtractMoney(invoice.gross, credited),
  }
}
