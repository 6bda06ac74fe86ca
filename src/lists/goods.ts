import { formatQuantity } from '@/core/money'
import { GOODS_KIND_NAMES } from '@/core/names'
import type { GoodsStanding } from '@/model/goods/goods'
import { defineColumns } from './column'
import { hiddenText, links, search } from './field'
import { defineList } from './list'

const counted = (g: GoodsStanding): boolean => g.goods.kind === 'stock' || g.goods.kind === 'kit'

const columns = defineColumns<GoodsStanding>([
  { key: 'code', head: 'Code', as: 'text', of: (g) => g.goods.code, tone: 'quiet' },
  { key: 'name', head: 'Name', as: 'text', of: (g) => g.goods.name, href: (g) => `/goods/${g.goods.id}` },
  {
    key: 'kind',
    head: 'Type',
    as: 'text',
    of: (g) => g.goods.kind,
    shown: (g) => GOODS_KIND_NAMES[g.goods.kind],
    tone: 'quiet',
    notOnPhone: true,
  },
  { key: 'price', head: 'Price', as: 'price', of: (g) => g.listPrice },
  { key: 'taxCode', head: 'Tax', as: 'text', of: (g) => g.taxCode, tone: 'quiet', notOnPhone: true },
  { key: 'barcode', head: 'Barcode', as: 'text', of: (g) => g.goods.barcode, only: 'file' },
  { key: 'note', head: 'Note', as: 'text', of: (g) => g.goods.note, only: 'file' },
  { key: 'tags', head: 'Tags', as: 'text', of: (g) => g.goods.tags.join('; '), only: 'file' },
  { key: 'weight', head: 'Weight', as: 'quantity', of: (g) => g.goods.weight, only: 'file' },
  { key: 'size', head: 'Size', as: 'text', of: (g) => g.goods.size, only: 'file' },
  { key: 'reorderAt', head: 'Reorder at', as: 'quantity', of: (g) => g.goods.reorderAt, only: 'file' },
  { key: 'onShopfront', head: 'Sell in the online shop', as: 'yes', of: (g) => g.goods.onShopfront, only: 'file' },
  {
    key: 'unitCost',
    head: 'Unit cost',
    as: 'price',
    of: (g) => g.unitCost.round(4),
    blankZero: true,
    tone: 'quiet',
    notOnPhone: true,
  },
  { key: 'onHand', head: 'On hand', as: 'quantity', of: (g) => (counted(g) ? g.onHand : null) },
  { key: 'setAside', head: 'Set aside', as: 'quantity', of: (g) => g.setAside, blankZero: true, tone: 'quiet' },
  {
    key: 'available',
    head: 'Available',
    as: 'quantity',
    of: (g) => (counted(g) ? g.available : null),
    tone: 'strong',
    note: (g) => (g.short.gt(0) ? `short ${formatQuantity(g.short)}` : null),
  },
])

export const goodsList = defineList<GoodsStanding>()({
  name: 'goods',
  title: 'Goods',
  path: '/goods',
  fields: {
    search: search('Search goods', 'code, name, barcode'),
    kind: links('Types', GOODS_KIND_NAMES),
    show: links('Only', { low: 'To reorder', retired: 'Discontinued' }),
    tag: hiddenText('Tag'),
  },
  columns,
  opensBy: { by: 'code', down: false },
  // What is to be reordered: the shortest first.
  narrowedOpensBy: ({ show }) => (show === 'low' ? { by: 'available', down: false } : undefined),
  empty: 'No goods yet. Add what you sell, make or do: stock, work, charges, kits.',
  nothingFits: 'Nothing matches.',
})
