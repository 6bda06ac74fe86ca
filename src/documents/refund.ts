import { paperWords } from '@/core/formats'
import { formatMoney } from '@/core/money'
import { readRefundFacts } from '@/model/paper/refundFacts'
import type { Asked } from '@/model/where'
import type { Paper } from './paper'

/** What was given back, how, and what it was held for: for the customer to keep. */
export const paperOfRefund = async (asked: Asked, refundId: number): Promise<Paper | null> => {
  const facts = await readRefundFacts(asked, refundId)
  if (!facts) return null
  const { refund, customer, billTo, sale } = facts
  const t = paperWords(customer.language)
  return {
    kind: 'refund',
    language: customer.language,
    name: t('refund'),
    number: refund.number,
    to: { name: customer.name, address: billTo },
    deliverTo: null,
    facts: [
      [t('date'), t.day(refund.on)],
      [t('method'), t(refund.method)],
      ...(sale ? [[t('order'), String(sale.number)] as const] : []),
    ],
    above: refund.voidedOn ? `${t('voided')} ${t.day(refund.voidedOn)}` : '',
    rows: [{ as: 'line', what: sale?.title ?? refund.reason, note: '', cells: { sum: formatMoney(refund.amount) } }],
    sums: [
      { name: `${t('amountRefunded')}, ${asked.business.currency}`, amount: formatMoney(refund.amount), total: true },
    ],
    note: sale && refund.reason ? `${t('reason')}: ${refund.reason}` : '',
    conditions: '',
  }
}
