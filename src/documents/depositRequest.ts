import { formatPercent } from '@/core/locale'
import { readDepositRequestFacts } from '@/model/paper/saleFacts'
import type { Paper } from './paper'
import type { Asked } from '@/model/where'
import { howToPay } from './howToPay'
import { basics } from './paperOfSale'
import { paperWords } from '@/core/formats'
import { sumMoney, smallerMoney, subtractMoney, isPositiveMoney, formatMoney, negateMoney } from '@/core/money'
import type { PaperSum } from '@/model/paper/paperSum'

/** The paper that asks for money ahead. Not an invoice. */
export const depositRequestOf = async (asked: Asked, requestId: number): Promise<Paper | null> => {
  const facts = await readDepositRequestFacts(asked, requestId)
  if (!facts) return null
  const { request, story } = facts
  const { currency } = asked.business
  const base = basics(facts)
  const t = paperWords(base.language)
  // More may be held than is asked for.
  const received = smallerMoney(
    sumMoney(
      story.heldRows.map((h) => h.amount),
      currency,
    ),
    request.amount,
  )
  const rest = subtractMoney(request.amount, received)
  const sums: PaperSum[] = isPositiveMoney(received)
    ? [
        { name: t('asked'), amount: formatMoney(request.amount) },
        { name: t('received'), amount: formatMoney(negateMoney(received)) },
        {
          name: `${t('toPay')}, ${currency}`,
          amount: formatMoney(rest),
          total: true,
        },
      ]
    : [{ name: `${t('toPay')}, ${currency}`, amount: formatMoney(request.amount), total: true }]
  return {
    kind: 'deposit-request',
    ...base,
    name: t('deposit-request'),
    number: request.number,
    facts: [
      [t('date'), t.day(request.on)],
      [t('order'), String(story.sale.number)],
    ],
    above: t('notInvoice'),
    rows: [
      {
        as: 'line',
        what: story.sale.title,
        note: `${request.percent ? `${formatPercent(String(Number(request.percent)))} ` : ''}${t('ofTotal')} ${formatMoney(story.totals.gross)} ${currency}`,
        cells: { sum: formatMoney(request.amount) },
      },
    ],
    sums,
    parts: howToPay({
      business: asked.business,
      language: base.language,
      amount: rest,
      about: `${t('deposit-request')} ${request.number}`,
    }),
    note: '',
    conditions: '',
  }
}
