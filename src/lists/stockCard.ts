import { paperHref } from '@/contract/paperHref'
import type { CardLine } from '@/model/goods/goodsPage'
import { defineColumns } from './column'
import { hiddenId } from './field'
import { defineList } from './list'

const nameOf = (m: CardLine): string =>
  `${m.paperKind === 'handover' ? (m.quantity.isNegative() ? 'Handover' : 'Return') : 'Count'} ${m.paper}`.trim()

export const stockCardList = defineList<CardLine>()({
  name: 'stock-card',
  title: 'Stock card',
  path: '/goods',
  fields: { goods: hiddenId('Goods') },
  columns: defineColumns<CardLine>([
    { key: 'on', head: 'Day', as: 'day', of: (m) => m.on, tone: 'quiet' },
    {
      key: 'paper',
      head: 'Document',
      as: 'text',
      of: nameOf,
      href: (m) => paperHref({ kind: m.paperKind, id: m.paperId }) ?? `/goods/${m.goodsId}`,
    },
    { key: 'quantity', head: 'In / out', as: 'quantity', of: (m) => m.quantity },
    { key: 'there', head: 'There', as: 'quantity', of: (m) => m.runningQuantity, tone: 'strong' },
    { key: 'cost', head: 'Cost', as: 'money', of: (m) => m.value },
    { key: 'worth', head: 'Worth', as: 'money', of: (m) => m.runningValue },
  ]),
  opensBy: { by: 'on', down: true },
  empty: 'Nothing came or went yet.',
  nothingFits: 'Nothing came or went yet.',
})
