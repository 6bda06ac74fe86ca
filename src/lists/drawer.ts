import { absMoney, isPositiveMoney } from '@/core/money'
import type { DrawerLine } from '@/model/bank/drawer'
import { defineColumns } from './column'
import { dayField } from './field'
import { defineList } from './list'

const strong = (l: DrawerLine) => (l.total ? ('strong' as const) : undefined)

export const drawerList = defineList<DrawerLine>()({
  name: 'drawer',
  title: 'The drawer',
  path: '/money-in/drawer',
  fields: { on: dayField('On') },
  columns: defineColumns<DrawerLine>([
    { key: 'what', head: 'Details', as: 'text', of: (l) => l.text, href: (l) => l.href, tone: strong },
    {
      key: 'in',
      head: 'In',
      as: 'money',
      of: (l) => (isPositiveMoney(l.amount) ? l.amount : null),
      only: 'screen',
      tone: strong,
    },
    {
      key: 'out',
      head: 'Out',
      as: 'money',
      of: (l) => (isPositiveMoney(l.amount) ? null : absMoney(l.amount)),
      only: 'screen',
    },
    { key: 'amount', head: 'Amount', as: 'money', of: (l) => l.amount, only: 'file' },
  ]),
  opensBy: { by: '', down: false },
  empty: 'Nothing went in or out.',
  nothingFits: 'Nothing went in or out.',
})
