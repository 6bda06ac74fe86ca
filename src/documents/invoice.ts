import { readInvoiceFacts } from '@/model/paper/invoiceFacts'
import type { Paper } from './paper'
import type { Asked } from '@/model/where'
import { present } from '@/core/present'
import { paperWords } from '@/core/formats'
import { negateMoney, formatPrice, formatMoney, isPositiveMoney, subtractMoney } from '@/core/money'
import { type Standing, saleRows } from './saleRows'
import { showInvoiceLine } from '@/model/invoice/invoiceLines'
import { formatDay } from '@/core/day'
import { taxSums } from '@/model/paper/taxSums'

/** An invoice, invoice-receipt or credit note as it is issued. A draft says so. */
export const paperOfInvoice = async (asked: Asked, invoiceId: number): Promise<Paper | null> => {
  const { currency } = asked.business
  const facts = await readInvoiceFacts(asked, invoiceId)
  if (!facts) return null
  const { invoice, dues, held, sale, saleLines, credited } = facts
  const { language } = facts.customer
  const t = paperWords(language)
  const name =
    invoice.status === 'draft' ? t('draft-invoice') : t(invoice.kind === 'counter' ? 'counter' : invoice.kind)
  const standing = invoice.lines.map((l): Standing => {
    const { worth, less } = showInvoiceLine(l, sale.pricesIncludeTax, currency)
    const none = l.quantity.isZero()
    return {
      line: present(saleLines.find((s) => s.id === l.saleLineId)),
      what: l.description,
      note: l.note,
      cells: {
        code: saleLines.find((s) => s.id === l.saleLineId)?.code ?? '',
        quantity: none ? '' : l.quantity.toString(),
        each: none ? '' : formatPrice(l.unitPrice, currency),
        less,
        sum: formatMoney(worth),
      },
      worth,
    }
  })
  return {
    kind: invoice.kind === 'credit-note' ? 'credit-note' : 'invoice',
    language,
    name,
    number: invoice.number ?? '–',
    to: { name: invoice.customerName, address: sale.billTo || facts.billTo },
    deliverTo: sale.deliverTo && sale.deliverTo !== sale.billTo ? { address: sale.deliverTo, note: '' } : null,
    facts: [
      [t('date'), formatDay(invoice.on)],
      ...dues.map(
        (d) =>
          [t('due'), dues.length > 1 ? `${formatDay(d.dueOn)}: ${formatMoney(d.amount)}` : formatDay(d.dueOn)] as const,
      ),
      ...(sale.purchaseOrder ? [[t('yourOrder'), sale.purchaseOrder] as const] : []),
      ...(credited ? [[t('credits'), credited.number ?? ''] as const] : []),
    ],
    above: '',
    rows: saleRows(saleLines, standing, { language, rolledUp: sale.rolledUp, withSums: true, currency }),
    sums: [
      { name: t('net'), amount: formatMoney(invoice.net) },
      ...(await taxSums(asked.db, invoice.taxes)),
      { name: `${t('total')}, ${currency}`, amount: formatMoney(invoice.gross), total: true },
      ...(isPositiveMoney(held)
        ? [
            { name: t('received'), amount: formatMoney(negateMoney(held)) },
            {
              name: t('toPay'),
              amount: formatMoney(subtractMoney(invoice.gross, held)),
              total: true,
            },
          ]
        : []),
    ],
    note: invoice.reason,
    conditions: '',
  }
}
