import type { BasketRow } from '@/model/sale/saleList'
import { defineColumns } from './column'
import { defineList } from './list'

export const basketsList = defineList<BasketRow>()({
  name: 'baskets',
  title: 'Open baskets',
  path: '/sales/baskets',
  fields: {},
  columns: defineColumns<BasketRow>([
    {
      key: 'name',
      head: 'Who',
      as: 'text',
      of: (b) => b.name || 'somebody',
      href: (b) => `/sales/baskets/${b.id}`,
      note: (b) => b.email,
      tone: 'strong',
    },
    { key: 'email', head: 'E-mail', as: 'text', of: (b) => b.email, only: 'file' },
    { key: 'things', head: 'Things', as: 'count', of: (b) => b.things },
    { key: 'since', head: 'Since', as: 'day', of: (b) => b.startedOn, tone: 'quiet' },
  ]),
  // The one last touched stands first, as it comes.
  opensBy: { by: '', down: false },
  empty: 'Baskets appear here while customers fill them.',
  nothingFits: 'Baskets appear here while customers fill them.',
})
