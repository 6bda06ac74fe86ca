import { findReceipt, listReceipts, sumReceipts, narrowReceipts, type ReceiptFilter } from '@/data/queries/receipt'
import type { Part } from '@/data/queries/inOrder'
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

export type { ReceiptRow } from '@/data/queries/receipt'

/** The receipts that fit, and what all of them come to. */
export const readReceiptBook = async ({ db, currency }: Where, filter: ReceiptFilter, part: Part) => {
  const narrowed = await narrowReceipts(db, filter)
  const [rows, sums] = await Promise.all([
    listReceipts(db, narrowed, part, currency),
    sumReceipts(db, narrowed, currency),
  ])
  return { rows, sums }
}
