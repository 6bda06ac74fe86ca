import { lineIn, paperWords } from '@/core/formats'
import { formatMoney, isPositiveMoney, formatQuantity } from '@/core/money'
import { readReceiptFacts } from '@/model/paper/receiptFacts'
import { readPiecesSaid } from '@/model/paper/piecesSaid'
import type { Asked } from '@/model/where'
import { drawElsewhere } from './drawElsewhere'
import { fileName, type NamedFile } from './fileName'

/** A receipt as a narrow slip, named by its number, as long as it needs to be. */
export const makeSlip = async (asked: Asked, receiptId: number): Promise<NamedFile | null> => {
  const facts = await readReceiptFacts(asked, receiptId)
  if (!facts) return null
  const { receipt, customer, invoice, seller, taxes, change, paid } = facts
  const { business } = asked
  const t = paperWords(customer.language)
  const piecesOf =
    invoice &&
    (await readPiecesSaid(asked.db, { saleId: invoice.saleId, language: t.language, currency: business.currency }))
  const body = await drawElsewhere({
    as: 'slip',
    slip: {
      language: t.language,
      title: `${t('receipt')} ${receipt.number}`,
      business: {
        name: seller.name,
        address: [seller.address, business.phone, seller.taxNumber && `${t('taxId')} ${seller.taxNumber}`]
          .filter(Boolean)
          .join('\n'),
        footer: business.footer,
      },
      from: facts.to.name,
      on: t.day(receipt.on),
      how: t(receipt.method),
      lines: invoice
        ? invoice.lines.map((l) => ({
            what: [`${formatQuantity(l.quantity)} × ${l.description}`, piecesOf?.({ lineId: l.saleLineId })]
              .filter(Boolean)
              .join('; '),
            amount: formatMoney(l.net),
          }))
        : paid.map((p) => ({ what: lineIn(t, p.line), amount: formatMoney(p.amount) })),
      sums: [
        ...(invoice ? [{ name: t('net'), amount: formatMoney(invoice.net) }, ...taxes] : []),
        ...(isPositiveMoney(change)
          ? [
              { name: t('given'), amount: formatMoney(receipt.tendered) },
              { name: t('back'), amount: formatMoney(change) },
            ]
          : []),
      ],
      received: t('amountReceived'),
      amount: `${formatMoney(receipt.amount)} ${business.currency}`,
      voided: receipt.voidedOn ? `${t('voided')} ${t.day(receipt.voidedOn)}` : '',
    },
  })
  return { body, name: fileName('receipt', receipt.number, 'pdf') }
}
