import { paperHref } from '@/contract/paperHref'
import type { CardLine } from '@/model/goods/goodsPage'
import { sayMove } from '@/core/names'
import { defineColumns } from './column'
import { hiddenId, hiddenText } from './field'
import { defineList } from './list'

const nameOf = (m: CardLine): string => `${sayMove(m.paperKind, m.quantity)} ${m.paper}`.trim()

export const stockCardList = defineList<CardLine>()({
  name: 'stock-card',
  title: 'Stock card',
  path: '/goods',
  fields: { goods: hiddenId('Goods'), lot: hiddenText('Lot'), serial: hiddenText('Serial') },
  columns: defineColumns<CardLine>([
    { key: 'on', head: 'Day', as: 'day', of: (m) => m.on, tone: 'quiet' },
    {
      key: 'paper',
      head: 'Document',
      as: 'text',
      of: nameOf,
      href: (m) => paperHref({ kind: m.paperKind, id: m.paperId }) ?? `/goods/${m.goodsId}`,
      note: (m) => [m.customer, m.place, m.serial ?? m.lot].filter(Boolean).join(', ') || null,
    },
    { key: 'customer', head: 'Customer', as: 'text', of: (m) => m.customer ?? '', only: 'file' },
    { key: 'place', head: 'Place', as: 'text', of: (m) => m.place, only: 'file' },
    { key: 'lot', head: 'Lot', as: 'text', of: (m) => m.lot ?? '', only: 'file' },
    { key: 'serial', head: 'Serial', as: 'text', of: (m) => m.serial ?? '', only: 'file' },
    { key: 'quantity', head: 'In / out', as: 'quantity', of: (m) => m.quantity },
    { key: 'there', head: 'There', as: 'quantity', of: (m) => m.runningQuantity, tone: 'strong' },
    { key: 'cost', head: 'Cost', as: 'money', of: (m) => m.value },
    { key: 'worth', head: 'Worth', as: 'money', of: (m) => m.runningValue },
  ]),
  opensBy: { by: 'on', down: true },
  empty: 'Nothing came or went yet.',
  nothingFits: 'Nothing came or went yet.',
})
