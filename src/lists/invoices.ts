import { isPositiveMoney } from '@/core/money'
import type { RegisterRow } from '@/model/invoice/register'
import { defineColumns, type About } from './column'
import { amountField, choice, customerField, dayField, hiddenId, links, search } from './field'
import { defineList } from './list'

const KIND = { invoice: '', counter: 'counter', 'credit-note': 'credit note' } as const
const late = (r: RegisterRow, { today }: About): boolean => isPositiveMoney(r.open) && r.due !== null && r.due < today

const columns = defineColumns<RegisterRow>([
  {
    key: 'number',
    head: 'Invoice',
    as: 'text',
    of: (r) => r.number ?? 'draft',
    href: (r) => `/invoices/${r.id}`,
    note: (r) => KIND[r.kind],
  },
  { key: 'kind', head: 'Type', as: 'text', of: (r) => r.kind, only: 'file' },
  { key: 'on', head: 'Date', as: 'day', of: (r) => r.on, tone: 'quiet' },
  { key: 'customer', head: 'Customer', as: 'text', of: (r) => r.customer },
  { key: 'sale', head: 'Sale', as: 'text', of: (r) => String(r.saleNumber), note: (r) => r.title, tone: 'quiet' },
  { key: 'title', head: 'Title', as: 'text', of: (r) => r.title, only: 'file' },
  { key: 'net', head: 'Net', as: 'money', of: (r) => r.net, sum: true, notOnPhone: true },
  { key: 'tax', head: 'Tax', as: 'money', of: (r) => r.tax, sum: true, notOnPhone: true },
  { key: 'gross', head: 'Total', as: 'money', of: (r) => r.gross, sum: true },
  {
    key: 'open',
    head: 'Balance due',
    as: 'money',
    of: (r) => r.open,
    blankZero: true,
    sum: true,
    tone: (r, about) => (late(r, about) ? 'late' : undefined),
  },
  {
    key: 'due',
    head: 'Due date',
    as: 'day',
    of: (r) => r.due,
    tone: (r, about) => (late(r, about) ? 'late' : 'quiet'),
    note: (r, about) => (late(r, about) ? 'late' : null),
  },
])

export const invoicesList = defineList<RegisterRow>()({
  name: 'invoices',
  title: 'Invoices',
  path: '/invoices',
  fields: {
    search: search('Search invoices', 'number, customer, sale'),
    state: links('States', { open: 'Unpaid', late: 'Late', paid: 'Paid', credited: 'Credited', draft: 'Drafts' }),
    customer: customerField('Customer'),
    kind: choice('Type', { invoice: 'invoices', counter: 'counter sales', 'credit-note': 'credit notes' }),
    from: dayField('From'),
    to: dayField('Through'),
    least: amountField('At least'),
    most: amountField('At most'),
    goods: hiddenId('Goods'),
  },
  columns,
  opensBy: { by: 'number', down: true },
  empty: 'No invoices yet.',
  foot: { says: 'Total, less credit notes', inFile: false },
  nothingFits: 'No invoices match.',
})
