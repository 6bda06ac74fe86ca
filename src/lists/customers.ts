import type { CustomerStanding } from '@/model/people/customers'
import { defineColumns } from './column'
import { hiddenText, links, search } from './field'
import { defineList } from './list'

const columns = defineColumns<CustomerStanding>([
  { key: 'id', head: 'Number', as: 'number', of: (c) => c.id, only: 'file' },
  {
    key: 'name',
    head: 'Name',
    as: 'text',
    of: (c) => c.name,
    href: (c) => `/people/${c.id}`,
    note: (c) => c.kind && `· ${c.kind}`,
    tone: 'strong',
  },
  { key: 'contact', head: 'Contact', as: 'text', of: (c) => c.contact },
  {
    key: 'reach',
    head: 'Reach',
    as: 'text',
    of: (c) => [c.phone, c.email].filter(Boolean).join(' · '),
    only: 'screen',
    tone: 'quiet',
  },
  { key: 'email', head: 'E-mail', as: 'text', of: (c) => c.email, only: 'file' },
  { key: 'phone', head: 'Phone', as: 'text', of: (c) => c.phone, only: 'file' },
  { key: 'kind', head: 'Type', as: 'text', of: (c) => c.kind, only: 'file' },
  { key: 'sales', head: 'Sales', as: 'count', of: (c) => c.sales, blankZero: true, notOnPhone: true },
  { key: 'owed', head: 'Owes', as: 'money', of: (c) => c.owed, blankZero: true },
  { key: 'late', head: 'Late', as: 'money', of: (c) => c.late, blankZero: true, tone: 'late' },
  { key: 'held', head: 'Held', as: 'money', of: (c) => c.held, blankZero: true, tone: 'held' },
])

export const customersList = defineList<CustomerStanding>()({
  name: 'customers',
  title: 'People',
  path: '/people',
  fields: {
    search: search('Search people', 'name, contact, e-mail, phone'),
    show: links('Only', { owing: 'Only with a balance' }),
    tag: hiddenText('Tag'),
  },
  columns,
  opensBy: { by: 'name', down: false },
  empty: 'No customers yet. A name is enough to start.',
  nothingFits: 'No customers match.',
})
