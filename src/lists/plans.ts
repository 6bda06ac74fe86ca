import { formatMoney } from '@/core/money'
import type { PlanSums } from '@/model/plan/planBook'
import { defineColumns } from './column'
import { links } from './field'
import { defineList } from './list'

const columns = defineColumns<PlanSums>([
  { key: 'plan', head: 'Plan', as: 'text', of: (r) => r.number, href: (r) => `/sales/${r.saleId}` },
  {
    key: 'sale',
    head: 'Sale',
    as: 'text',
    of: (r) => String(r.saleNumber),
    note: (r) => r.title,
    tone: 'quiet',
  },
  { key: 'customer', head: 'Customer', as: 'text', of: (r) => r.customer },
  { key: 'started', head: 'Started', as: 'day', of: (r) => r.startedOn, only: 'file' },
  { key: 'financed', head: 'Financed', as: 'money', of: (r) => r.financed, sum: true, notOnPhone: true },
  { key: 'charge', head: 'Charge', as: 'money', of: (r) => r.charge, blankZero: true, notOnPhone: true },
  { key: 'notEarned', head: 'Not earned', as: 'money', of: (r) => r.unearned, only: 'file' },
  {
    key: 'paid',
    head: 'Paid',
    as: 'money',
    of: (r) => r.paid,
    blankZero: true,
    sum: true,
    tone: 'paid',
    notOnPhone: true,
  },
  { key: 'open', head: 'Open', as: 'money', of: (r) => r.open, blankZero: true, sum: true },
  {
    key: 'late',
    head: 'Late',
    as: 'money',
    of: (r) => r.late,
    blankZero: true,
    sum: true,
    tone: 'late',
    note: (r) => (r.rowsLate > 1 ? `${r.rowsLate} rows` : null),
  },
  {
    key: 'next',
    head: 'Next',
    as: 'day',
    of: (r) => r.next,
    note: (r) => [r.nextOpen && formatMoney(r.nextOpen), r.hasCard && 'by card'].filter(Boolean).join(', '),
  },
  { key: 'nextAmount', head: 'Next amount', as: 'money', of: (r) => r.nextOpen, only: 'file' },
  { key: 'ends', head: 'Ends', as: 'day', of: (r) => r.ends, tone: 'quiet', note: (r) => r.endedAs },
  { key: 'ended', head: 'Ended', as: 'text', of: (r) => r.endedAs, only: 'file' },
])

export const plansList = defineList<PlanSums>()({
  name: 'plans',
  title: 'Installments',
  path: '/owed/plans',
  fields: { ended: links('Plans', { true: 'Ended plans' }) },
  columns,
  opensBy: { by: 'late', down: true },
  empty: 'No active payment plans. Choose installments as payment terms on a sale; the plan starts with the invoice.',
  foot: { says: 'total', inFile: false },
  nothingFits: 'No plan has ended yet.',
})
