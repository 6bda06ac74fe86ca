import type { Backorder } from '@/model/goods/backorders'
import { defineColumns } from './column'
import { hiddenId } from './field'
import { defineList } from './list'

const columns = defineColumns<Backorder>([
  { key: 'goods', head: 'Item', as: 'text', of: (b) => b.goods, href: (b) => `/goods/${b.goodsId}` },
  { key: 'customer', head: 'Customer', as: 'text', of: (b) => b.customer, href: (b) => `/sales/${b.saleId}` },
  { key: 'sale', head: 'Sale', as: 'number', of: (b) => b.saleNumber, tone: 'quiet', notOnPhone: true },
  { key: 'since', head: 'Ordered', as: 'day', of: (b) => b.since, tone: 'quiet' },
  { key: 'wantedBy', head: 'Needed by', as: 'day', of: (b) => b.wantedBy },
  { key: 'waiting', head: 'To hand over', as: 'quantity', of: (b) => b.waiting, notOnPhone: true },
  { key: 'setAside', head: 'Set aside', as: 'quantity', of: (b) => b.setAside, blankZero: true, notOnPhone: true },
  { key: 'short', head: 'Short', as: 'quantity', of: (b) => b.short, tone: 'strong' },
  { key: 'onOrder', head: 'On order', as: 'quantity', of: (b) => b.onOrder, blankZero: true, notOnPhone: true },
  { key: 'comesOn', head: 'Comes on', as: 'day', of: (b) => b.comesOn, notOnPhone: true },
])

export const backordersList = defineList<Backorder>()({
  name: 'backorders',
  title: 'Backorders',
  path: '/goods/backorders',
  fields: { goods: hiddenId('Goods') },
  columns,
  // Who has waited longest stands first.
  opensBy: { by: 'since', down: false },
  empty: 'Everything that is ordered is in stock.',
  nothingFits: 'Nobody waits for this.',
})
