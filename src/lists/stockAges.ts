import { zeroMoney } from '@/core/money'
import { AGE_LIMITS } from '@/core/stock'
import type { StockAge } from '@/model/goods/stockAges'
import { defineColumns, type Column } from './column'
import { dayOf } from './days'
import { dayField, hiddenId } from './field'
import { defineList } from './list'

const HEADS = [
  ...AGE_LIMITS.map((limit, i) => (i === 0 ? `Up to ${limit} days` : `${(AGE_LIMITS[i - 1] ?? 0) + 1} to ${limit}`)),
  'Older',
]

const byAge = HEADS.map((head, i): Column<StockAge> => ({
  key: `age${i}`,
  head,
  as: 'money',
  of: (r) => r.values[i] ?? zeroMoney(r.value.currency),
  sum: true,
  blankZero: true,
  ...(i > 0 && i < HEADS.length - 1 ? { notOnPhone: true as const } : {}),
}))

export const stockAgesList = defineList<StockAge>()({
  name: 'stock-ages',
  title: 'Stock by age',
  path: '/goods/age',
  days: dayOf,
  fields: { asOf: dayField('As of'), place: hiddenId('Place') },
  columns: defineColumns<StockAge>([
    { key: 'code', head: 'Code', as: 'text', of: (r) => r.code, tone: 'quiet', notOnPhone: true },
    { key: 'name', head: 'Name', as: 'text', of: (r) => r.name, href: (r) => `/goods/${r.goodsId}` },
    { key: 'quantity', head: 'On hand', as: 'quantity', of: (r) => r.quantity },
    ...byAge,
    { key: 'value', head: 'Stock value', as: 'money', of: (r) => r.value, sum: true, tone: 'strong' },
    { key: 'oldest', head: 'Since', as: 'day', of: (r) => r.oldest, tone: 'quiet', notOnPhone: true },
  ]),
  opensBy: { by: 'value', down: true },
  empty: 'Nothing was in stock on this day.',
  foot: { says: 'total', inFile: true },
  nothingFits: 'Nothing was in stock on this day.',
})
