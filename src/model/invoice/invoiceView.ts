import type { Db } from '@/data/connect'
import { present } from '@/core/present'
import { findInvoice } from '@/data/queries/invoices'
import { listDuesOfInvoice } from '@/data/queries/due'
import { listHeldMoves } from '@/data/queries/held'
import { sumMoney, negateMoney, largerMoney, zeroMoney, toDecimalString, isPositiveMoney } from '@/core/money'
import { discountLeft } from '@/core/receipt'

/** An invoice as the HTTP interface answers it. */
export const invoiceView = async (w: { readonly tx: Db; readonly currency: string }, invoiceId: number) => {
  const invoice = present(await findInvoice(w.tx, invoiceId, w.currency))
  const dues = invoice.status === 'issued' ? await listDuesOfInvoice(w.tx, invoiceId, w.currency) : []
  const moves = invoice.status === 'issued' ? await listHeldMoves(w.tx, { saleIds: [invoice.saleId] }, w.currency) : []
  const applied = sumMoney(
    moves.filter((m) => m.invoiceId === invoiceId && m.why === 'invoice').map((m) => negateMoney(m.amount)),
    w.currency,
  )
  const open =
    invoice.status === 'draft'
      ? invoice.gross
      : largerMoney(
          sumMoney(
            dues.map((d) => d.open),
            w.currency,
          ),
          zeroMoney(w.currency),
        )
  return {
    id: invoice.id,
    number: invoice.number,
    kind: invoice.kind,
    status: invoice.status,
    saleId: invoice.saleId,
    customerId: invoice.customerId,
    on: invoice.on,
    reason: invoice.reason,
    creditsId: invoice.creditsId,
    lines: invoice.lines.map((l) => ({
      id: l.id,
      lineId: l.saleLineId,
      description: l.description,
      quantity: l.quantity.toString(),
      unitPrice: l.unitPrice.toString(),
      discountPercent: l.discountPercent.toString(),
      net: toDecimalString(l.net),
      tax: toDecimalString(l.tax),
    })),
    totals: {
      net: toDecimalString(invoice.net),
      tax: toDecimalString(invoice.tax),
      gross: toDecimalString(invoice.gross),
    },
    heldApplied: toDecimalString(applied),
    open: toDecimalString(open),
    dues: dues.map((d) => ({
      id: d.id,
      due: d.dueOn,
      label: d.label,
      ...(isPositiveMoney(d.discount)
        ? { discount: toDecimalString(discountLeft(d)), discountUntil: d.discountUntil }
        : {}),
      amount: toDecimalString(d.amount),
      open: toDecimalString(d.open),
    })),
  }
}
