import { sumMoney } from '@/core/money'
import { present } from '@/core/present'
import { findCustomer } from '@/data/queries/customers'
import { listOpenAsOf } from '@/data/queries/receivables'
import { findInvoice } from '@/data/queries/invoices'
import { findReceipt } from '@/data/queries/receipt'
import { changeOf } from '../receipt/changeOf'
import { readDiscount, readWhatItPaid } from '../receipt/receipt'
import type { Asked } from '../where'
import { readBillTo } from './billTo'

/** What a receipt says, on a page or on a slip; null where there is none. */
export const readReceiptFacts = async ({ db, business }: Asked, receiptId: number) => {
  const { currency } = business
  const receipt = await findReceipt(db, receiptId, currency)
  if (!receipt) return null
  const [customer, invoice, billTo, paid, discount, dues] = await Promise.all([
    findCustomer(db, receipt.customerId, currency),
    receipt.invoiceId === null ? null : findInvoice(db, receipt.invoiceId, currency),
    readBillTo(db, receipt.customerId),
    readWhatItPaid(db, receipt, currency),
    readDiscount(db, receipt.id, currency),
    listOpenAsOf(db, receipt.customerId, receipt.on, currency),
  ])
  return {
    receipt,
    customer: present(customer),
    invoice,
    billTo,
    paid,
    change: changeOf(receipt),
    /** What came off for paying early. */
    discount,
    /** What the customer owed at the end of its day: the same whenever it is printed. */
    left: sumMoney(
      dues.map((d) => d.open),
      currency,
    ),
  }
}
