import { formatDay } from '@/core/day'
import { layoutSpec, usualLayout, type LayoutSpec, type PaperKind } from '@/core/formats'
import { formatMoney, isPositiveMoney } from '@/core/money'
import type { Db } from '@/data/connect'
import { findInvoice } from '@/data/queries/invoices'
import { findLayout, findUsualLayout } from '@/data/queries/layouts'
import { readWhatItPaid } from '@/model/receipt/receipt'
import { drawElsewhere } from './drawElsewhere'
import { readLetterhead } from './letterhead'
import type { Asked, Paper } from './paper'
import { paperOfInvoice, paperOfReceipt, openItemsOf, reminderOf, statementOf } from './paperOfMoney'
import { agreementOf } from './agreement'
import { paperOfSale } from './paperOfSale'
import { taxSums } from './taxSums'
import { changeOf } from '@/model/receipt/changeOf'
import { readLayoutSpec } from '@/contract/layout'
import { findReceipt } from '@/data/queries/receipt'
import { packingSlipOf, pickListOf } from './slips'
import { depositRequestOf } from './depositRequest'

const read = (asked: Asked, kind: PaperKind, id: number): Promise<Paper | null> => {
  switch (kind) {
    case 'estimate':
    case 'confirmation':
      return paperOfSale(asked, kind, id)
    case 'pick-list':
      return pickListOf(asked, id)
    case 'packing-slip':
      return packingSlipOf(asked, id)
    case 'deposit-request':
      return depositRequestOf(asked, id)
    case 'invoice':
    case 'credit-note':
      return paperOfInvoice(asked, id)
    case 'receipt':
      return paperOfReceipt(asked, id)
    case 'statement':
      return statementOf(asked, id)
    case 'reminder':
      return reminderOf(asked, id)
    case 'open-items':
      return openItemsOf(asked, id)
    case 'agreement':
      return agreementOf(asked, id)
  }
}

const layoutOf = async (db: Db, kind: PaperKind, wish: number | LayoutSpec | undefined): Promise<LayoutSpec> => {
  if (typeof wish === 'object') return layoutSpec(kind, wish)
  const kept = wish === undefined ? await findUsualLayout(db, kind) : await findLayout(db, wish)
  return kept?.paper === kind ? layoutSpec(kind, readLayoutSpec(kept.spec)) : usualLayout(kind)
}

/**
 * A paper as PDF: text that can be searched and read aloud, in the owner's usual layout or the one named. Null where there
 * is nothing of that id.
 */
export const makePaper = async (
  asked: Asked,
  kind: PaperKind,
  id: number,
  layout?: number | LayoutSpec,
): Promise<Buffer | null> => {
  const paper = await read(asked, kind, id)
  if (!paper) return null
  const [head, spec] = await Promise.all([
    readLetterhead(asked.db, asked.business),
    // An invoice and a credit note are told apart by what they are, not by their address.
    layoutOf(asked.db, paper.kind, layout),
  ])
  return drawElsewhere({ as: 'paper', laid: { paper, layout: spec, head } })
}

/** A receipt as a narrow slip, as long as it needs to be. */
export const makeSlip = async ({ db, business }: Asked, receiptId: number): Promise<Buffer | null> => {
  const { currency } = business
  const receipt = await findReceipt(db, receiptId, currency)
  if (!receipt) return null
  const invoice = receipt.invoiceId === null ? null : await findInvoice(db, receipt.invoiceId, currency)
  const change = changeOf(receipt)
  return drawElsewhere({
    as: 'slip',
    slip: {
      number: receipt.number,
      business: { name: business.name, address: business.address, footer: business.footer },
      from: receipt.customerName,
      on: formatDay(receipt.on),
      how: receipt.method,
      lines: invoice
        ? invoice.lines.map((l) => ({
            what: `${l.quantity.toString()} × ${l.description}`,
            amount: formatMoney(l.net),
          }))
        : (await readWhatItPaid(db, receipt, currency)).map((p) => ({
            what: p.what,
            amount: formatMoney(p.amount),
          })),
      sums: [
        ...(invoice ? [{ name: 'net', amount: formatMoney(invoice.net) }, ...(await taxSums(db, invoice.taxes))] : []),
        ...(isPositiveMoney(change)
          ? [
              { name: 'given', amount: formatMoney(receipt.tendered) },
              { name: 'change', amount: formatMoney(change) },
            ]
          : []),
      ],
      amount: `${formatMoney(receipt.amount)} ${currency}`,
      voided: receipt.voidedOn ? `Voided on ${formatDay(receipt.voidedOn)}` : '',
    },
  })
}
