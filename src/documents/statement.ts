import { present } from '@/core/present'
import { readDuesFacts, type DuesFacts } from '@/model/paper/duesFacts'
import { howToPay, lateNotice } from './howToPay'
import type { Paper, PaperPart } from './paper'
import type { Asked } from '@/model/where'
import { readStatement } from '@/model/receivables/statement'
import { yearStart, type Day } from '@/core/day'
import { AGE_COLUMNS, ageNames, ageReceivables } from '@/core/receivables'
import { lineIn, paperWords } from '@/core/formats'
import { formatMoney, isPositiveMoney, negateMoney } from '@/core/money'

/** What is open by how long it has been due, in the columns Settings set; nothing where nothing is open. */
const agesOf = (
  dues: DuesFacts['dues'],
  { ageLimits, currency }: Asked['business'],
  today: Day,
  t: ReturnType<typeof paperWords>,
): readonly PaperPart[] => {
  if (dues.length === 0) return []
  const ages = ageReceivables(
    dues.map((d) => ({ from: d.dueOn, open: d.open })),
    today,
    currency,
    ageLimits,
  )
  const names = ageNames(ageLimits, { notDue: t('notDue'), days: t('days'), over: '>' })
  return [
    {
      as: 'table',
      title: t('ages'),
      heads: ['', ...AGE_COLUMNS.map((column) => names[column])],
      rows: [['', ...AGE_COLUMNS.map((column) => formatMoney(ages[column]))]],
      total: null,
    },
  ]
}

/** A customer's statement of this year: what was owed, what happened, what is owed. */
export const statementOf = async (asked: Asked, customerId: number): Promise<Paper | null> => {
  const { db, business, today } = asked
  const s = await readStatement(db, customerId, { from: yearStart(today), to: today }, business)
  if (!s) return null
  const { dues, billTo } = present(await readDuesFacts(asked, customerId))
  const t = paperWords(s.customer.language)
  return {
    kind: 'statement',
    language: s.customer.language,
    name: t('statement'),
    number: t.day(today),
    to: { name: s.customer.name, address: billTo },
    deliverTo: null,
    facts: [
      [t('from'), t.day(s.from)],
      [t('through'), t.day(s.to)],
      [t('owedBefore'), formatMoney(s.opening)],
    ],
    above: '',
    rows: s.lines.map((l) => ({
      as: 'line' as const,
      what: lineIn(t, l.line),
      note: '',
      cells: {
        date: t.day(l.on),
        change: formatMoney(l.owes),
        charges: isPositiveMoney(l.owes) ? formatMoney(l.owes) : '',
        payments: isPositiveMoney(l.owes) ? '' : formatMoney(negateMoney(l.owes)),
        owed: formatMoney(l.balance),
      },
    })),
    sums: [{ name: `${t('balanceDue')}, ${business.currency}`, amount: formatMoney(s.closing), total: true }],
    parts: [
      ...agesOf(dues, business, today, t),
      ...howToPay({
        business,
        language: s.customer.language,
        amount: s.closing,
        about: s.customer.name,
        more: lateNotice(business, s.customer.language),
      }),
    ],
    note: '',
    conditions: '',
  }
}
