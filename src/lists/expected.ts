import type { ExpectedWeek } from '@/model/receivables/expected'
import { defineColumns } from './column'
import { defineList } from './list'

export const expectedList = defineList<ExpectedWeek>()({
  name: 'expected',
  title: 'Expected money',
  path: '/owed/expected',
  fields: {},
  columns: defineColumns<ExpectedWeek>([
    {
      key: 'week',
      head: 'Week of',
      as: 'day',
      of: (w) => w.week,
      // What is unpaid, of which it is expected.
      href: () => '/invoices?state=open&sort=due',
    },
    { key: 'low', head: 'Low (9 in 10 above)', as: 'money', of: (w) => w.low },
    { key: 'expected', head: 'Expected', as: 'money', of: (w) => w.median, tone: 'strong' },
    { key: 'high', head: 'High (9 in 10 below)', as: 'money', of: (w) => w.high },
  ]),
  opensBy: { by: 'week', down: false },
  empty: 'Nothing is unpaid, so nothing to forecast.',
  nothingFits: 'Nothing is unpaid, so nothing to forecast.',
})
