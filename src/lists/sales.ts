import { isPositiveMoney } from '@/core/money'
import type { Story } from '@/model/sale/story'
import { defineColumns } from './column'
import { hiddenId, hiddenText, links, search } from './field'
import { defineList } from './list'

const columns = defineColumns<Story>([
  { key: 'number', head: 'Sale', as: 'count', of: (s) => s.sale.number },
  {
    key: 'customer',
    head: 'Customer and what',
    as: 'text',
    of: (s) => s.sale.customerName,
    href: (s) => `/sales/${s.sale.id}`,
    note: (s) => `· ${s.sale.title}`,
    tone: 'strong',
  },
  { key: 'title', head: 'Title', as: 'text', of: (s) => s.sale.title, only: 'file' },
  { key: 'stands', head: 'Stands', as: 'text', of: (s) => s.stands },
  {
    key: 'received',
    head: 'Where the money stands',
    as: 'money',
    of: (s) => s.received,
    notOnPhone: true,
  },
  { key: 'agreedOn', head: 'Agreed on', as: 'day', of: (s) => s.sale.agreedOn, only: 'file' },
  { key: 'total', head: 'Total', as: 'money', of: (s) => s.bar.total },
  { key: 'held', head: 'Held', as: 'money', of: (s) => s.held, only: 'file' },
  { key: 'billed', head: 'Billed', as: 'money', of: (s) => s.billed, only: 'file' },
  {
    key: 'open',
    head: 'Open',
    as: 'money',
    of: (s) => s.open,
    blankZero: true,
    tone: (s) => (isPositiveMoney(s.late) ? 'late' : undefined),
  },
  { key: 'late', head: 'Late', as: 'money', of: (s) => s.late, only: 'file' },
  { key: 'startedOn', head: 'Since', as: 'day', of: (s) => s.sale.startedOn, tone: 'quiet' },
])

export const salesList = defineList<Story>()({
  name: 'sales',
  title: 'Sales',
  path: '/sales',
  fields: {
    search: search('Search sales', 'number, customer, title, their order'),
    stands: links('Where they stand', {
      draft: 'draft',
      offered: 'offered',
      lapsed: 'lapsed',
      agreed: 'agreed',
      owing: 'owing',
      settled: 'settled',
      declined: 'declined',
      cancelled: 'cancelled',
    }),
    kind: hiddenText('Kind'),
    customer: hiddenId('Customer'),
    channel: links('Channels', { counter: 'counter', phone: 'phone', shopfront: 'shopfront' }),
  },
  columns,
  opensBy: { by: 'number', down: true },
  empty: 'Every sale will stand here, from the first estimate to the last payment. Start with a new one.',
  nothingFits: 'No sale fits. Change the words, or show all.',
})
