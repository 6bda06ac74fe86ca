import { readDuesFacts } from '@/model/paper/duesFacts'
import type { Paper } from './paper'
import type { Asked } from '@/model/where'
import { dueIn, paperWords, reminderLetter } from '@/core/formats'
import { sumMoney, formatMoney } from '@/core/money'
import { addDays } from '@/core/day'
import { readReminderStage } from '@/model/receivables/nextReminder'
import { howToPay, lateNotice } from './howToPay'

/** What is late, in one list: what it was for, since when, how much. */
export const reminderOf = (asked: Asked, customerId: number): Promise<Paper | null> =>
  listOfDues(asked, customerId, 'reminder')

/** Everything that is open, late or not, in one list. */
export const openItemsOf = (asked: Asked, customerId: number): Promise<Paper | null> =>
  listOfDues(asked, customerId, 'open-items')

/** How many days a reminder gives. */
const PAY_WITHIN = 7

const listOfDues = async (asked: Asked, customerId: number, kind: 'reminder' | 'open-items'): Promise<Paper | null> => {
  const { business, today } = asked
  const facts = await readDuesFacts(asked, customerId)
  if (!facts) return null
  const { customer } = facts
  const t = paperWords(customer.language)
  const stage = kind === 'reminder' ? await readReminderStage(asked, customerId) : null
  const dues = facts.dues.filter((d) => kind === 'open-items' || d.dueOn < today)
  const sum = sumMoney(
    dues.map((d) => d.open),
    business.currency,
  )
  return {
    kind,
    language: customer.language,
    name: t(kind === 'reminder' ? reminderLetter(stage ?? 1) : kind),
    number: t.day(today),
    to: { name: customer.name, address: facts.billTo },
    deliverTo: null,
    facts: [
      [t('date'), t.day(today)],
      ...(kind === 'reminder' ? [[t('payBy'), t.day(addDays(today, PAY_WITHIN))] as const] : []),
    ],
    above: '',
    rows: dues.map((d) => ({
      as: 'line' as const,
      what: dueIn(t, d),
      note: d.dueOn < today ? `${t('late')} ${t.day(d.dueOn)}` : '',
      cells: { due: t.day(d.dueOn), sum: formatMoney(d.open) },
    })),
    sums: [{ name: `${t('toPay')}, ${business.currency}`, amount: formatMoney(sum), total: true }],
    parts: howToPay({
      business,
      language: customer.language,
      amount: sum,
      about: customer.name,
      more: lateNotice(business, customer.language),
    }),
    note: '',
    conditions: '',
  }
}
