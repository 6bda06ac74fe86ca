import { paperHref } from '@/contract/paperHref'
import type { CardLine } from '@/model/goods/goodsPage'
import { defineColumns } from './column'
import { hiddenId } from './field'
import { defineList } from './list'

const KINDS: Readonly<Record<string, string>> = {
  'stock-count': 'Count',
  'stock-transfer': 'Move',
  'stock-adjustment': 'Adjustment',
}
const nameOf = (m: CardLine): string => {
  const kind = m.paperKind === 'handover' ? (m.quantity.isNegative() ? 'Handover' : 'Return') : KINDS[m.paperKind]
  return `${kind ?? ''} ${m.paper}`.trim()
}

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
      note: (m) => m.place || null,
    },
    { key: 'place', head: 'Place', as: 'text', of: (m) => m.place, only: 'file' },
    { key: 'quantity', head: 'In / out', as: 'quantity', of: (m) => m.quantity },
    { key: 'there', head: 'There', as: 'quantity', of: (m) => m.runningQuantity, tone: 'strong' },
    { key: 'cost', head: 'Cost', as: 'money', of: (m) => m.value },
    { key: 'worth', head: 'Worth', as: 'money', of: (m) => m.runningValue },
  ]),
  opensBy: { by: 'on', down: true },
  empty: 'Nothing came or went yet.',
  nothingFits: 'Nothing came or went yet.',
})
