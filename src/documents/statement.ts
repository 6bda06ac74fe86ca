import { present } from '@/core/present'
import { readDuesFacts, type DuesFacts } from '@/model/paper/duesFacts'
import { howToPay, lateNotice } from './howToPay'
import type { Paper, PaperPart } from './paper'
import type { Asked } from '@/model/where'
import { readStatement } from '@/model/receivables/statement'
import { daysBetween, yearStart, formatDay, type Day } from '@/core/day'
import { paperWords } from '@/core/formats'
import { formatMoney, isPositiveMoney, negateMoney, sumMoney } from '@/core/money'

/** What is open by how long it has been due, in the columns Settings set; nothing where nothing is open. */
const agesOf = (
  dues: DuesFacts['dues'],
  { ageLimits, currency }: Asked['business'],
  today: Day,
  t: ReturnType<typeof paperWords>,
): readonly PaperPart[] => {
  if (dues.length === 0) return []
  const [a, b, c] = ageLimits
  const spans: readonly (readonly [name: string, from: number, to: number])[] = [
    [t('notDue'), -Infinity, 0],
    [`1–${a} ${t('days')}`, 1, a],
    [`${a + 1}–${b} ${t('days')}`, a + 1, b],
    [`${b + 1}–${c} ${t('days')}`, b + 1, c],
    [`> ${c} ${t('days')}`, c + 1, Infinity],
  ]
  const sums = spans.map(([, from, to]) =>
    sumMoney(
      dues.filter((d) => within(daysBetween(d.dueOn, today), from, to)).map((d) => d.open),
      currency,
    ),
  )
  return [
    {
      as: 'table',
      title: t('ages'),
      heads: ['', ...spans.map(([name]) => name)],
      rows: [['', ...sums.map((sum) => formatMoney(sum))]],
      total: null,
    },
  ]
}
const within = (days: number, from: number, to: number): boolean => days >= from && days <= to

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
    number: formatDay(today),
    to: { name: s.customer.name, address: billTo },
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
      note: '',
      cells: {
        date: formatDay(l.on),
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
