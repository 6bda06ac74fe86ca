import { findInvoice } from '@/data/queries/invoices'
import { listFillsOfReceipt, listHeldMoves, type ReceiptRow } from '@/data/queries/money'
import { listSaleIds } from '@/data/queries/sales'
import type { Work } from '../command'
import { refuse } from '../refuse'

/** Which sale a charge for a receipt stands on: one it paid, one it was held for, else the customer’s newest. */
export const saleToCharge = async (w: Work, receipt: ReceiptRow): Promise<number> => {
  const fills = await listFillsOfReceipt(w.tx, receipt.id, w.currency)
  const moves = await listHeldMoves(w.tx, { receiptId: receipt.id }, w.currency)
  const bill = receipt.invoiceId === null ? null : await findInvoice(w.tx, receipt.invoiceId, w.currency)
  const [newest] = await listSaleIds(w.tx, { customerId: receipt.customerId }, { limit: 1 }, w.today)
  return (
    fills[0]?.saleId ??
    bill?.saleId ??
    moves.find((m) => m.saleId !== null)?.saleId ??
    newest ??
    refuse({
      code: 'invalid',
      errors: [{ path: 'fee', message: 'This customer has no sale the fee could stand on. Leave it at 0.' }],
    })
  )
}
