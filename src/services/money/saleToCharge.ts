import { present } from '@/core/present'
import type { Day } from '@/core/day'
import { findCustomer } from '@/data/queries/customers'
import { findInvoice } from '@/data/queries/invoices'
import { listSaleIds } from '@/data/queries/sales'
import type { Work } from '../command'
import { writeEmptySale } from '../sales/emptySale'
import { listFillsOfReceipt } from '@/data/queries/fill'
import { listHeldMoves } from '@/data/queries/held'
import type { ReceiptRow } from '@/data/queries/receipt'

/** Which sale a charge for a receipt stands on: one it paid, one it was held for, else the customer’s newest. */
export const saleToCharge = async (w: Work, receipt: ReceiptRow, on: Day): Promise<number> => {
  const fills = await listFillsOfReceipt(w.tx, receipt.id, w.currency)
  const moves = await listHeldMoves(w.tx, { receiptId: receipt.id }, w.currency)
  const bill = receipt.invoiceId === null ? null : await findInvoice(w.tx, receipt.invoiceId, w.currency)
  return (
    fills.find((f) => f.customerId === receipt.customerId)?.saleId ??
    bill?.saleId ??
    moves.find((m) => m.saleId !== null && m.customerId === receipt.customerId)?.saleId ??
    (await newestSaleOf(w, receipt.customerId, { title: `Receipt ${receipt.number} came back`, on }))
  )
}

/** A customer’s newest sale. Who has none gets one, so that what they owe has a place where it is owed. */
export const newestSaleOf = async (
  w: Work,
  customerId: number,
  otherwise: { readonly title: string; readonly on: Day },
): Promise<number> => {
  const [newest] = await listSaleIds(w.tx, { customerId }, { limit: 1 }, w.today)
  if (newest !== undefined) return newest
  const customer = present(await findCustomer(w.tx, customerId, w.currency))
  return writeEmptySale(w, { ...otherwise, customer })
}
