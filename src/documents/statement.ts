import type { Paper } from './paper'
import type { Asked } from '@/model/where'
import { readStatement } from '@/model/receivables/statement'
import { yearStart, formatDay } from '@/core/day'
import { paperWords } from '@/core/formats'
import { formatMoney } from '@/core/money'
import { readBillTo } from '@/model/paper/billTo'

/** A customer's statement of this year: what was owed, what happened, what is owed. */
export const statementOf = async (asked: Asked, customerId: number): Promise<Paper | null> => {
  const { db, business, today } = asked
  const s = await readStatement(db, customerId, { from: yearStart(today), to: today }, business)
  if (!s) return null
  const t = paperWords(s.customer.language)
  return {
    kind: 'statement',
    language: s.customer.language,
    name: t('statement'),
    number: formatDay(today),
    to: { name: s.customer.name, address: await readBillTo(db, customerId) },
    deliverTo: null,
    facts: [
      [t('from'), formatDay(s.from)],
      [t('through'), formatDay(s.to)],
      [t('owedBefore'), formatMoney(s.opening)],
    ],
    above: '',
    rows: s.lines.map((l) => ({
      as: 'line' as const,
      what: l.text,
      note: formatDay(l.on),
      cells: { change: formatMoney(l.owes), owed: formatMoney(l.balance) },
    })),
    sums: [{ name: `${t('owed')}, ${business.currency}`, amount: formatMoney(s.closing), total: true }],
    note: '',
    conditions: '',
  }
}
