import type { UsualRow } from '@/model/sale/usualGoods'
import { decimal } from '@/core/money'
import { defineColumns } from './column'
import { hiddenId } from './field'
import { defineList } from './list'

export const usualList = defineList<UsualRow>()({
  name: 'usual',
  title: 'Usually buys',
  path: '/people',
  fields: { customer: hiddenId('Customer') },
  columns: defineColumns<UsualRow>([
    { key: 'code', head: 'Code', as: 'text', of: (u) => u.standing.goods.code },
    { key: 'name', head: 'Name', as: 'text', of: (u) => u.standing.goods.name },
    { key: 'lastOn', head: 'Last on', as: 'day', of: (u) => u.lastOn },
    { key: 'lastQuantity', head: 'Last quantity', as: 'quantity', of: (u) => u.lastQuantity },
    { key: 'lastPrice', head: 'Last price', as: 'price', of: (u) => u.lastPrice },
    { key: 'times', head: 'Times', as: 'count', of: (u) => u.times },
    { key: 'quantity', head: 'Quantity', as: 'quantity', of: (u) => u.quantity },
    { key: 'perMonth', head: 'A month', as: 'quantity', of: (u) => u.perMonth },
    { key: 'available', head: 'Available', as: 'quantity', of: (u) => u.standing.available },
    { key: 'price', head: 'Price', as: 'price', of: (u) => decimal(u.price) },
  ]),
  opensBy: { by: '', down: false },
  empty: 'They have bought nothing yet.',
  nothingFits: 'They have bought nothing yet.',
})
