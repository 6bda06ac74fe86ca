import type { RepeatRow } from '@/model/sale/repeats'
import { defineColumns } from './column'
import { defineList } from './list'

export const repeatsList = defineList<RepeatRow>()({
  name: 'repeats',
  title: 'Repeating sales',
  path: '/sales/coming',
  fields: {},
  columns: defineColumns<RepeatRow>([
    { key: 'customer', head: 'Customer', as: 'text', of: (r) => r.customerName, href: (r) => `/sales/${r.saleId}` },
    { key: 'title', head: 'Title', as: 'text', of: (r) => r.title, tone: 'quiet' },
    { key: 'every', head: 'Every', as: 'text', of: (r) => r.every },
    { key: 'makes', head: 'Makes', as: 'text', of: (r) => r.makes },
    { key: 'byItself', head: 'Automatic', as: 'yes', of: (r) => r.byItself },
    { key: 'next', head: 'Next', as: 'day', of: (r) => r.nextOn },
    { key: 'until', head: 'Until', as: 'day', of: (r) => r.untilDay, tone: 'quiet' },
    { key: 'times', head: 'Times', as: 'count', of: (r) => r.times },
    { key: 'done', head: 'Done', as: 'count', of: (r) => r.done },
    { key: 'total', head: 'Total', as: 'money', of: (r) => r.total },
  ]),
  opensBy: { by: 'next', down: false },
  empty: 'For rent, lessons or upkeep: open a sale and choose Repeat. Coming sales will be listed here by month.',
  nothingFits: 'Nothing repeats.',
})
