import { readReceiptFacts } from '@/model/paper/receiptFacts'
import type { Paper } from './paper'
import type { Asked } from '@/model/where'
import { lineIn, paperWords } from '@/core/formats'
import { formatMoney, isPositiveMoney, formatQuantity } from '@/core/money'

/** A receipt on a whole page. The narrow slip is a paper of its own. */
export const paperOfReceipt = async (asked: Asked, receiptId: number): Promise<Paper | null> => {
  const { currency } = asked.business
  const facts = await readReceiptFacts(asked, receiptId)
  if (!facts) return null
  const { receipt, customer, invoice, change } = facts
  const t = paperWords(customer.language)
  const row = (what: string, sum: string) => ({ as: 'line' as const, what, note: '', cells: { sum } })
  return {
    kind: 'receipt',
    language: customer.language,
    from: facts.seller,
    name: t('receipt'),
    number: receipt.number,
    to: facts.to,
    deliverTo: null,
    facts: [
      [t('date'), t.day(receipt.on)],
      [t('method'), t(receipt.method)],
      ...(receipt.reference ? [[t('reference'), receipt.reference] as const] : []),
    ],
    above: receipt.voidedOn ? `${t('voided')} ${t.day(receipt.voidedOn)}` : t('thanks'),
    rows: invoice
      ? invoice.lines.map((l) => row(`${formatQuantity(l.quantity)} × ${l.description}`, formatMoney(l.net)))
      : facts.paid.map((p) => row(lineIn(t, p.line), formatMoney(p.amount))),
    sums: [
      ...(invoice ? [{ name: t('net'), amount: formatMoney(invoice.net) }, ...facts.taxes] : []),
      ...(isPositiveMoney(change)
        ? [
            { name: t('given'), amount: formatMoney(receipt.tendered) },
            { name: t('back'), amount: formatMoney(change) },
          ]
        : []),
      {
        name: `${t('amountReceived')}, ${currency}`,
        amount: formatMoney(receipt.amount),
        total: true,
      },
      ...(isPositiveMoney(facts.discount) ? [{ name: t('earlyDiscount'), amount: formatMoney(facts.discount) }] : []),
      ...(invoice ? [] : [{ name: t('balanceLeft'), amount: formatMoney(facts.left) }]),
    ],
    note: '',
    conditions: '',
  }
}
