import type { OpenItem } from '@/model/receivables/openAsOf'
import { defineColumns, type About } from './column'
import { dayOf } from './days'
import { dayField, hiddenId } from './field'
import { defineList } from './list'

const late = (d: OpenItem, { today }: About): boolean => d.dueOn < today

export const openItemsList = defineList<OpenItem>()({
  name: 'open-items',
  title: 'What is open',
  path: '/owed',
  days: dayOf,
  fields: { customer: hiddenId('Customer'), asOf: dayField('As of') },
  columns: defineColumns<OpenItem>([
    {
      key: 'invoice',
      head: 'Invoice',
      as: 'text',
      of: (d) => d.name,
      href: (d) => (d.invoiceId === null ? `/sales/${d.saleId}` : `/invoices/${d.invoiceId}`),
    },
    {
      key: 'sale',
      head: 'Sale',
      as: 'text',
      of: (d) => String(d.saleNumber),
      note: (d) => d.title,
      href: (d) => `/sales/${d.saleId}`,
    },
    { key: 'issued', head: 'Issued', as: 'day', of: (d) => d.issuedOn, tone: 'quiet' },
    {
      key: 'due',
      head: 'Due',
      as: 'day',
      of: (d) => d.dueOn,
      tone: (d, about) => (late(d, about) ? 'late' : 'quiet'),
      note: (d, about) => (late(d, about) ? 'late' : null),
    },
    { key: 'open', head: 'Open', as: 'money', of: (d) => d.open, sum: true },
  ]),
  opensBy: { by: 'due', down: false },
  empty: 'Nothing was open.',
  nothingFits: 'Nothing was open on that day.',
  foot: { says: 'open', inFile: false },
})
