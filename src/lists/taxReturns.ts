import { formatDay, type Day } from '@/core/day'
import { decimal, type Money } from '@/core/money'
import { TAX_BASIS_NAMES, TAX_SIDE_NAMES, TAX_STATE_NAMES } from '@/core/names'
import type { TaxPaperRow, TaxReturnListRow } from '@/model/books/taxReturns'
import { defineColumns } from './column'
import { hiddenId, hiddenText } from './field'
import { defineList } from './list'

export const taxReturnsList = defineList<TaxReturnListRow>()({
  name: 'tax-returns',
  title: 'Tax returns',
  path: '/books',
  fields: { view: hiddenText('View') },
  columns: defineColumns<TaxReturnListRow>([
    {
      key: 'from',
      head: 'From',
      as: 'day',
      of: (r): Day => r.from,
      href: (r) => `/books/tax/${r.id}`,
    },
    { key: 'through', head: 'Through', as: 'day', of: (r): Day => r.through },
    {
      key: 'basis',
      head: 'Tax is due',
      as: 'text',
      of: (r) => TAX_BASIS_NAMES[r.basis],
      tone: 'quiet',
      notOnPhone: true,
    },
    {
      key: 'state',
      head: 'Status',
      as: 'text',
      of: (r) => TAX_STATE_NAMES[r.state],
      note: (r) => (r.filedOn ? formatDay(r.filedOn) : null),
    },
    { key: 'sales', head: 'On sales', as: 'money', of: (r): Money => r.sales, notOnPhone: true },
    { key: 'purchases', head: 'On purchases', as: 'money', of: (r): Money => r.purchases, notOnPhone: true },
    { key: 'due', head: 'Due', as: 'money', of: (r): Money => r.due, tone: 'strong' },
  ]),
  opensBy: { by: 'from', down: true },
  empty: 'No tax return yet. Make one of the days that are over.',
  nothingFits: 'No tax return matches.',
})

export const taxPapersList = defineList<TaxPaperRow>()({
  name: 'tax-return',
  title: 'Tax return',
  path: '/books/tax',
  fields: { return: hiddenId('Tax return') },
  columns: defineColumns<TaxPaperRow>([
    { key: 'side', head: 'Side', as: 'text', of: (r) => TAX_SIDE_NAMES[r.side], tone: 'quiet' },
    { key: 'code', head: 'Code', as: 'text', of: (r) => r.code },
    { key: 'name', head: 'Tax', as: 'text', of: (r) => r.component ?? r.name },
    { key: 'rate', head: 'Rate', as: 'percent', of: (r) => decimal(r.rate).times(100), notOnPhone: true },
    { key: 'on', head: 'Date', as: 'day', of: (r): Day => r.on, tone: 'quiet' },
    { key: 'text', head: 'Document', as: 'text', of: (r) => r.text, href: (r) => r.href },
    { key: 'net', head: 'Net', as: 'money', of: (r): Money => r.net },
    { key: 'tax', head: 'Tax', as: 'money', of: (r): Money => r.tax },
  ]),
  opensBy: { by: '', down: false },
  empty: 'No tax in these days.',
  nothingFits: 'No tax in these days.',
})
