import { marginOf } from '@/core/stock'
import type { ProfitBy } from '@/core/kinds'
import type { ProfitRow } from '@/model/sale/profit'
import { defineColumns } from './column'
import { dayField, links } from './field'
import { defineList } from './list'

export const PROFIT_BY_NAMES: Readonly<Record<ProfitBy, string>> = {
  sale: 'Sale',
  goods: 'Item',
  customer: 'Customer',
  kind: 'Kind',
  channel: 'Channel',
  month: 'Month',
}

/** What a row is of; rows that are of no one thing lead to the profit and loss they are a part of. */
export const hrefOfEarner = (by: ProfitBy, key: string): string => {
  const places: Partial<Record<ProfitBy, string>> = { sale: '/sales', goods: '/goods', customer: '/people' }
  const place = places[by]
  return place === undefined || key === '' ? '/books?view=profit-and-loss' : `${place}/${key}`
}

/** What was earned, each row leading to what it is of. */
export const profitColumns = (by: ProfitBy) =>
  defineColumns<ProfitRow>([
    { key: 'name', head: PROFIT_BY_NAMES[by], as: 'text', of: (r) => r.name, href: (r) => hrefOfEarner(by, r.key) },
    { key: 'income', head: 'Income', as: 'money', of: (r) => r.income, sum: true, blankZero: true },
    { key: 'cost', head: 'Cost', as: 'money', of: (r) => r.cost, sum: true, blankZero: true },
    { key: 'profit', head: 'Profit', as: 'money', of: (r) => r.profit, sum: true, tone: 'strong' },
    { key: 'margin', head: 'Margin', as: 'percent', of: (r) => marginOf(r.income, r.cost), notOnPhone: true },
  ])

export const profitList = defineList<ProfitRow>()({
  name: 'profit',
  title: 'What it earned',
  path: '/sales/profit',
  fields: { by: links('By', PROFIT_BY_NAMES), from: dayField('From'), to: dayField('Through') },
  columns: profitColumns('sale'),
  opensBy: { by: 'profit', down: true },
  empty: 'Nothing was earned in these days.',
  foot: { says: 'total', inFile: true },
  nothingFits: 'Nothing was earned in these days.',
})
