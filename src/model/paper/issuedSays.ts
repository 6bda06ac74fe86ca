import { z } from 'zod'
import { present } from '@/core/present'
import type { Db } from '@/data/connect'
import { findCustomer } from '@/data/queries/customers'
import type { InvoiceRow } from '@/data/queries/invoices'
import type { SaleRow } from '@/data/queries/sales'
import { readBillTo } from './billTo'

/** What an invoice or credit note says around its lines. Kept with it when it is issued: whatever changes later, it is never edited. */
const issuedSays = z.object({
  /** Whom it is addressed to, and where. */
  name: z.string(),
  billTo: z.string(),
  deliverTo: z.string(),
  noteAbove: z.string(),
  note: z.string(),
  purchaseOrder: z.string(),
  taxExempt: z.boolean(),
  /** Of an exemption, or by what the tax office knows them. */
  exemptNumber: z.string(),
  /** How it will be paid. */
  arrangement: z.unknown(),
})
export type IssuedSays = z.output<typeof issuedSays>

/** What an invoice of a sale says where it is issued now. */
export const saysNow = async (db: Db, sale: SaleRow): Promise<IssuedSays> => {
  const [customer, billTo] = await Promise.all([
    findCustomer(db, sale.customerId, sale.total.currency),
    sale.billTo || readBillTo(db, sale.customerId),
  ])
  const { name, taxExempt, exemptNumber } = present(customer)
  const { deliverTo, noteAbove, note, purchaseOrder, arrangement } = sale
  return { name, billTo, deliverTo, noteAbove, note, purchaseOrder, taxExempt, exemptNumber, arrangement }
}

/** What an invoice said when it was issued; of a draft, what it would say now. */
export const readIssuedSays = (db: Db, { says }: Pick<InvoiceRow, 'says'>, sale: SaleRow): Promise<IssuedSays> =>
  says === null ? saysNow(db, sale) : Promise.resolve(issuedSays.parse(says))
