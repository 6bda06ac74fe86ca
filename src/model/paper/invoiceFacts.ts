import { negateMoney, sumMoney, ZERO, type Decimal } from '@/core/money'
import { present } from '@/core/present'
import { findCustomer } from '@/data/queries/customers'
import { listDuesOfInvoice } from '@/data/queries/due'
import { listHeldMoves } from '@/data/queries/held'
import { listHandovers } from '@/data/queries/handover'
import { findInvoice, listInvoicesOfSales } from '@/data/queries/invoices'
import { listSaleLines } from '@/data/queries/saleLine'
import { findSales } from '@/data/queries/sales'
import { listTaxCodes } from '@/data/queries/taxCodes'
import type { Asked } from '../where'
import { readPiecesSaid } from './piecesSaid'
import { calledAs, readIssuedSays, saysNow } from './issuedSays'

export type { InvoiceRow } from '@/data/queries/invoices'

/** What an invoice, an invoice-receipt or a credit note says; null where there is none. */
export const readInvoiceFacts = async ({ db, business }: Asked, invoiceId: number) => {
  const { currency } = business
  const invoice = await findInvoice(db, invoiceId, currency)
  if (!invoice) return null
  const [dues, moves, kept, sales, lines, customer, credited, codes, handovers] = await Promise.all([
    listDuesOfInvoice(db, invoice.id, currency),
    listHeldMoves(db, { saleIds: [invoice.saleId] }, currency),
    invoice.kind === 'credit-note' ? listHeldMoves(db, { invoiceId: invoice.id }, currency) : [],
    findSales(db, [invoice.saleId], currency),
    listSaleLines(db, [invoice.saleId]),
    findCustomer(db, invoice.customerId, currency),
    invoice.creditsId === null ? null : findInvoice(db, invoice.creditsId, currency),
    listTaxCodes(db),
    listHandovers(db, [invoice.saleId], currency),
  ])
  const sale = present(sales[0])
  const [says, piecesOf, before] = await Promise.all([
    readIssuedSays(invoice) ?? saysNow({ db, business }, { invoice, sale, lines, codes }),
    readPiecesSaid(db, { saleId: invoice.saleId, language: present(customer).language, currency }),
    listInvoicesOfSales(db, [invoice.saleId], currency),
  ])
  /** The serials and lots of a line: those after what was invoiced before. */
  const piecesSaid = (line: { readonly saleLineId: number; readonly quantity: Decimal }): string => {
    if (invoice.kind === 'credit-note') return ''
    const skip = before
      .filter((i) => i.kind !== 'credit-note' && i.id < invoice.id)
      .flatMap((i) => i.lines.filter((l) => l.saleLineId === line.saleLineId))
      .reduce((sum, l) => sum.plus(l.quantity), ZERO)
    return piecesOf({ lineId: line.saleLineId, skip, take: line.quantity })
  }
  return {
    invoice,
    piecesSaid,
    dues,
    /** Held money that was put on it when it was issued. */
    held: negateMoney(
      sumMoney(
        moves.filter((m) => m.invoiceId === invoice.id && m.why === 'invoice').map((m) => m.amount),
        currency,
      ),
    ),
    /** Of a credit note: what was paid already, and so is the customer's again. */
    onAccount: sumMoney(
      kept.filter((m) => m.why === 'credit-note').map((m) => m.amount),
      currency,
    ),
    sale,
    says,
    customer: present(customer),
    credited,
    codes: calledAs(codes, says),
    /** When goods of the sale last left before it was written; null where none did. */
    handedOver: handovers.filter((h) => h.direction === 'out' && h.on <= invoice.on).at(-1)?.on ?? null,
  }
}
