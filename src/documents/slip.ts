import { METHOD_NAMES } from '@/core/names'
import { formatDay } from '@/core/day'
import { formatMoney, isPositiveMoney } from '@/core/money'
import { readReceiptFacts } from '@/model/paper/receiptFacts'
import { taxSums } from '@/model/paper/taxSums'
import type { Asked } from '@/model/where'
import { drawElsewhere } from './drawElsewhere'

/** A receipt as a narrow slip, as long as it needs to be. */
export const makeSlip = async (asked: Asked, receiptId: number): Promise<Buffer | null> => {
  const facts = await readReceiptFacts(asked, receiptId)
  if (!facts) return null
  const { receipt, invoice, change, paid } = facts
  const { business } = asked
  const taxes = invoice ? await taxSums(asked.db, invoice.taxes) : []
  return drawElsewhere({
    as: 'slip',
    slip: {
      number: receipt.number,
      business: {
        name: business.name,
        address: [business.address, business.phone, business.taxNumber && `Tax ID ${business.taxNumber}`]
          .filter(Boolean)
          .join('\n'),
        footer: business.footer,
      },
      from: receipt.customerName,
      on: formatDay(receipt.on),
      how: METHOD_NAMES[receipt.method],
      lines: invoice
        ? invoice.lines.map((l) => ({
            what: `${l.quantity.toString()} × ${l.description}`,
            amount: formatMoney(l.net),
          }))
        : paid.map((p) => ({ what: p.what, amount: formatMoney(p.amount) })),
      sums: [
        ...(invoice ? [{ name: 'Subtotal', amount: formatMoney(invoice.net) }, ...taxes] : []),
        ...(isPositiveMoney(change)
          ? [
              { name: 'Cash given', amount: formatMoney(receipt.tendered) },
              { name: 'Change due', amount: formatMoney(change) },
            ]
          : []),
      ],
      amount: `${formatMoney(receipt.amount)} ${business.currency}`,
      voided: receipt.voidedOn ? `Voided on ${formatDay(receipt.voidedOn)}` : '',
    },
  })
}
