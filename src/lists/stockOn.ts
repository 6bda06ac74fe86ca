import type { StockOnRow } from '@/model/goods/stockOn'
import { defineColumns } from './column'
import { dayField } from './field'
import { defineList } from './list'

/** Its columns; which place it lies in only where there are several. */
export const stockOnColumns = (several: boolean) =>
  defineColumns<StockOnRow>([
    { key: 'code', head: 'Code', as: 'text', of: (r) => r.code, tone: 'quiet' },
    { key: 'name', head: 'Name', as: 'text', of: (r) => r.name, href: (r) => `/goods/${r.goodsId}` },
    ...(several ? [{ key: 'place', head: 'Place', as: 'text' as const, of: (r: StockOnRow) => r.place }] : []),
    { key: 'onHand', head: 'On hand', as: 'quantity', of: (r) => r.quantity },
    { key: 'unitCost', head: 'Unit cost', as: 'price', of: (r) => r.unitCost.toDecimalPlaces(4), tone: 'quiet' },
    { key: 'value', head: 'Stock value', as: 'money', of: (r) => r.value, sum: true, tone: 'strong' },
  ])

export const stockOnList = defineList<StockOnRow>()({
  name: 'stock',
  title: 'Stock on a day',
  path: '/goods/stock',
  fields: { asOf: dayField('As of') },
  columns: stockOnColumns(true),
  opensBy: { by: 'value', down: true },
  empty: 'Nothing was in stock on this day.',
  foot: { says: 'total', inFile: true },
  nothingFits: 'Nothing was in stock on this day.',
})
