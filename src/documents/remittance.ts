import { paperWords } from '@/core/formats'
import { formatMoney, isPositiveMoney } from '@/core/money'
import { readRemittanceFacts } from '@/model/paper/purchaseFacts'
import type { Asked } from '@/model/where'
import type { Paper } from './paper'

/** What a payment to a supplier pays, for their books. */
export const remittanceOf = async (asked: Asked, paymentId: number): Promise<Paper | null> => {
  const facts = await readRemittanceFacts(asked, paymentId)
  if (!facts) return null
  const { payment, supplier, bills, amount, ahead, discount } = facts
  const { currency } = asked.business
  const t = paperWords('en')
  const row = (what: string, date: string, sum: string) => ({
    as: 'line' as const,
    what,
    note: '',
    cells: { date, sum },
  })
  return {
    kind: 'remittance',
    language: 'en',
    name: t('remittance'),
    number: payment.number,
    to: supplier,
    deliverTo: null,
    facts: [[t('date'), t.day(payment.onDay)]],
    above: payment.voidedOn ? `${t('voided')} ${t.day(payment.voidedOn)}` : '',
    rows: [
      ...bills.map((b) => row(`${t('yourBill')} ${b.theirNumber}`, t.day(b.on), formatMoney(b.paid))),
      ...(isPositiveMoney(ahead) ? [row(t('inAdvance'), '', formatMoney(ahead))] : []),
    ],
    sums: [
      ...(isPositiveMoney(discount) ? [{ name: t('earlyDiscount'), amount: formatMoney(discount) }] : []),
      { name: `${t('payment')}, ${currency}`, amount: formatMoney(amount), total: true },
    ],
    note: '',
    conditions: '',
  }
}
