import { CHANNEL_NAMES, STATUS_NAMES, statusName } from '@/core/names'
import { isPositiveMoney } from '@/core/money'
import type { Glance } from '@/model/sale/glance'
import { defineColumns } from './column'
import { hiddenId, hiddenText, links, search } from './field'
import { defineList } from './list'

const columns = defineColumns<Glance>([
  { key: 'number', head: 'Sale', as: 'number', of: (s) => s.sale.number },
  {
    key: 'customer',
    head: 'Customer and title',
    as: 'text',
    of: (s) => s.sale.customerName,
    href: (s) => `/sales/${s.sale.id}`,
    note: (s) => `· ${s.sale.title}`,
    tone: 'strong',
  },
  { key: 'title', head: 'Title', as: 'text', of: (s) => s.sale.title, only: 'file' },
  { key: 'stands', head: 'Status', as: 'text', of: (s) => statusName(s.stands, isPositiveMoney(s.open)) },
  {
    key: 'received',
    head: 'Payment progress',
    as: 'money',
    of: (s) => s.received,
    notOnPhone: true,
  },
  { key: 'agreedOn', head: 'Agreed on', as: 'day', of: (s) => s.sale.agreedOn, only: 'file' },
  { key: 'total', head: 'Total', as: 'money', of: (s) => s.bar.total },
  { key: 'held', head: 'Held', as: 'money', of: (s) => s.held, only: 'file' },
  { key: 'billed', head: 'Invoiced', as: 'money', of: (s) => s.billed, only: 'file' },
  {
    key: 'open',
    head: 'Balance due',
    as: 'money',
    of: (s) => s.open,
    blankZero: true,
    tone: (s) => (isPositiveMoney(s.late) ? 'late' : undefined),
  },
  { key: 'late', head: 'Late', as: 'money', of: (s) => s.late, only: 'file' },
  { key: 'startedOn', head: 'Started', as: 'day', of: (s) => s.sale.startedOn, tone: 'quiet' },
])

export const salesList = defineList<Glance>()({
  name: 'sales',
  title: 'Sales',
  path: '/sales',
  fields: {
    search: search('Search sales', 'number, customer, title, PO number'),
    stands: links('Status', { working: 'In progress', all: 'All', ...STATUS_NAMES }),
    kind: hiddenText('Type'),
    customer: hiddenId('Customer'),
    channel: links('Channels', CHANNEL_NAMES),
  },
  columns,
  opensBy: { by: 'number', down: true },
  empty: 'No sales yet. Each sale is kept here from first estimate to last payment.',
  nothingFits: 'No sales match. Change the search, or show all.',
})
