import type { HeldLine } from '@/model/held/heldReport'
import { defineColumns } from './column'
import { dayOf } from './days'
import { dayField } from './field'
import { defineList } from './list'

const KIND = { deposit: 'deposit', layaway: 'layaway', account: 'on account' } as const

const columns = defineColumns<HeldLine>([
  {
    key: 'customer',
    head: 'Customer',
    as: 'text',
    of: (l) => l.customer,
    href: (l) => (l.saleId === null ? `/people/${l.customerId}` : `/sales/${l.saleId}`),
  },
  {
    key: 'sale',
    head: 'For',
    as: 'text',
    of: (l) => l.saleNumber?.toString() ?? '',
    note: (l) => (l.saleNumber === null ? 'General' : l.title),
    tone: 'quiet',
  },
  { key: 'title', head: 'Title', as: 'text', of: (l) => l.title, only: 'file' },
  { key: 'kind', head: 'As', as: 'text', of: (l) => KIND[l.kind] },
  { key: 'amount', head: 'Held', as: 'money', of: (l) => l.amount, sum: true, tone: 'held' },
])

export const heldList = defineList<HeldLine>()({
  name: 'held',
  title: 'Held money',
  path: '/owed/held',
  days: dayOf,
  fields: { asOf: dayField('As of') },
  columns,
  opensBy: { by: 'customer', down: false },
  empty: 'Nobody’s money is held on this day.',
  foot: { says: 'total', inFile: false },
  nothingFits: 'Nobody’s money is held on this day.',
})
