import { findReceipt, listReceipts, type ReceiptFilter } from '@/data/queries/receipt'
import { readEntriesOf } from '../books/entry'
import type { Where } from '../where'
import { changeOf } from './changeOf'
import { readDiscount, readWhatItPaid } from './receipt'

/** A receipt with what it paid, what came off, what went back and what it posted; null where there is none. */
export const readReceiptPage = async (where: Where, id: number) => {
  const { db, currency } = where
  const receipt = await findReceipt(db, id, currency)
  if (!receipt) return null
  const [paid, discount, posted] = await Promise.all([
    readWhatItPaid(db, receipt, currency),
    readDiscount(db, receipt.id, currency),
    // The money of a counter sale stands in the entry of its invoice.
    readEntriesOf(
      where,
      receipt.invoiceId === null ? { kind: 'receipt', id } : { kind: 'invoice', id: receipt.invoiceId },
    ),
  ])
  return { receipt, paid, discount, posted, change: changeOf(receipt) }
}

/** The receipt book, the newest first, a page at a time. */
export const readReceiptBook = (
  { db, currency }: Where,
  filter: ReceiptFilter,
  page: { readonly limit: number; readonly after?: number },
) => listReceipts(db, filter, page, currency)
