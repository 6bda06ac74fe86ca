import type { Day } from '@/core/day'
import { TREATMENT_NAMES } from '@/core/names'
import type { TaxRow } from '@/model/books/bookRows'
import type { Taxed } from '@/model/books/journal'
import { defineColumns } from './column'
import { yearUntil } from './days'
import { dayField, hiddenId, hiddenText } from './field'
import { defineList } from './list'

interface Days {
  readonly from: Day
  readonly to: Day
}
const span = { view: hiddenText('View'), from: dayField('From'), to: dayField('Through') }

/** The documents of a code and component in the same days. */
const hrefIn =
  (days: Days | null) =>
  ({ codeId, componentId }: TaxRow): string =>
    `/books?${new URLSearchParams({
      view: 'tax',
      ...days,
      code: String(codeId),
      ...(componentId !== null && { component: String(componentId) }),
    })}`

/** What is charged by code and component; each row opens into its documents of those days. */
export const taxColumns = (days: Days | null) =>
  defineColumns<TaxRow>([
    { key: 'code', head: 'Code', as: 'text', of: (r) => r.code },
    { key: 'name', head: 'Tax', as: 'text', of: (r) => r.component ?? r.name, href: hrefIn(days) },
    { key: 'treatment', head: 'Treatment', as: 'text', of: (r) => TREATMENT_NAMES[r.treatment], tone: 'quiet' },
    { key: 'rate', head: 'Rate', as: 'percent', of: (r) => r.rate.times(100) },
    { key: 'net', head: 'Billed, net', as: 'money', of: (r) => r.net },
    { key: 'tax', head: 'Tax', as: 'money', of: (r) => r.amount, sum: true, tone: 'strong' },
  ])

export const taxList = defineList<TaxRow>()({
  name: 'tax',
  title: 'Tax',
  path: '/books',
  days: yearUntil,
  fields: span,
  columns: taxColumns(null),
  opensBy: { by: 'code', down: false },
  foot: { says: 'tax due', inFile: false },
  empty: 'No tax was charged in these days.',
  nothingFits: 'No tax was charged in these days.',
})

export const taxedList = defineList<Taxed>()({
  name: 'taxed-documents',
  title: 'Taxed documents',
  path: '/books',
  days: yearUntil,
  fields: { ...span, code: hiddenId('Tax code'), component: hiddenId('Component') },
  columns: defineColumns<Taxed>([
    { key: 'on', head: 'Date', as: 'day', of: (r) => r.on, tone: 'quiet' },
    { key: 'text', head: 'Document', as: 'text', of: (r) => r.text, href: (r) => r.href },
    { key: 'net', head: 'Billed, net', as: 'money', of: (r) => r.net, sum: true },
    { key: 'tax', head: 'Tax', as: 'money', of: (r) => r.amount, sum: true, tone: 'strong' },
  ]),
  opensBy: { by: 'on', down: true },
  foot: { says: 'total', inFile: false },
  empty: 'No document has this tax in these days.',
  nothingFits: 'No document has this tax in these days.',
})
