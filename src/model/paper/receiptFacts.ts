import { sumMoney } from '@/core/money'
import { present } from '@/core/present'
import { findCustomer } from '@/data/queries/customers'
import { listOpenAsOf } from '@/data/queries/receivables'
import { findInvoice } from '@/data/queries/invoices'
import { findReceipt } from '@/data/queries/receipt'
import { changeOf } from '../receipt/changeOf'
import { readDiscount, readWhatItPaid } from '../receipt/receipt'
import type { Asked } from '../where'
import { listTaxCodes } from '@/data/queries/taxCodes'
import { readBillTo } from './billTo'
import { calledAs, readIssuedSays, sellerOf } from './issuedSays'
import { taxSums } from './taxSums'

/** What a receipt says, on a page or on a slip; null where there is none. */
export const readReceiptFacts = async ({ db, business }: Asked, receiptId: number) => {
  const { currency } = business
  const receipt = await findReceipt(db, receiptId, currency)
  if (!receipt) return null
  const [customer, invoice, codes, billTo, paid, discount, dues] = await Promise.all([
    findCustomer(db, receipt.customerId, currency),
    receipt.invoiceId === null ? null : findInvoice(db, receipt.invoiceId, currency),
    listTaxCodes(db),
    readBillTo(db, receipt.customerId),
    readWhatItPaid(db, receipt, currency),
    readDiscount(db, receipt.id, currency),
    listOpenAsOf(db, receipt.customerId, receipt.on, currency),
  ])
  const says = invoice && readIssuedSays(invoice)
  return {
    receipt,
    customer: present(customer),
    invoice,
    /** Of a counter sale: its taxes, as it calls them. */
    taxes: invoice && says ? taxSums(calledAs(codes, says), invoice.taxes) : [],
    /** Who sells and who pays: of a counter sale, as it said when it was issued. */
    seller: says?.seller ?? sellerOf(business),
    to: { name: says?.name ?? receipt.customerName, address: says?.billTo ?? billTo },
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
