import { marginOf } from '@/core/stock'
import { day, monthsOf, type Span } from '@/core/day'
import type { ProfitBy } from '@/core/kinds'
import { present } from '@/core/present'
import type { ProfitRow } from '@/model/sale/profit'
import { defineColumns } from './column'
import { twelveMonthsUntil } from './days'
import { dayField, hiddenId, hiddenText, oneOf } from './field'
import { defineList } from './list'

export const PROFIT_BY_NAMES: Readonly<Record<ProfitBy, string>> = {
  sale: 'Sale',
  goods: 'Item',
  customer: 'Customer',
  kind: 'Type',
  channel: 'Channel',
  month: 'Month',
}

/** The days of a list that nobody asked for yet: its columns are the same whatever they are. */
const EVER: Span = { from: day('1990-01-01'), to: day('2199-12-31') }

const booksOf = ({ from, to }: Span): string => `/books?${new URLSearchParams({ view: 'profit-and-loss', from, to })}`
/** The sales that a row adds up. */
const salesOf = (by: 'customer' | 'kind' | 'channel', key: string, { from, to }: Span): string =>
  `/sales/profit?${new URLSearchParams({ by: 'sale', [by]: key, from, to })}`

/** What a row is of: its sale, item or customer, the sales of its kind or channel, the profit and loss of its month; of none of them, that of all days. */
export const hrefOfEarner = (by: ProfitBy, key: string, span: Span): string => {
  if (key === '') return booksOf(span)
  if (by === 'month') return booksOf(present(monthsOf(span).find((m) => m.from.startsWith(key))))
  if (by === 'kind' || by === 'channel') return salesOf(by, key, span)
  return `${{ sale: '/sales', goods: '/goods', customer: '/people' }[by]}/${key}`
}

/** What was earned, each row leading to what it is of, and its profit to what makes it up. */
export const profitColumns = (by: ProfitBy, span: Span) =>
  defineColumns<ProfitRow>([
    {
      key: 'name',
      head: PROFIT_BY_NAMES[by],
      as: 'text',
      of: (r) => r.name,
      href: (r) => hrefOfEarner(by, r.key, span),
    },
    { key: 'income', head: 'Income', as: 'money', of: (r) => r.income, sum: true, blankZero: true },
    { key: 'cost', head: 'Cost', as: 'money', of: (r) => r.cost, sum: true, blankZero: true },
    {
      key: 'profit',
      head: 'Profit',
      as: 'money',
      of: (r) => r.profit,
      sum: true,
      tone: 'strong',
      href: by === 'customer' ? (r) => (r.key === '' ? booksOf(span) : salesOf(by, r.key, span)) : undefined,
    },
    { key: 'margin', head: 'Margin', as: 'percent', of: (r) => marginOf(r.income, r.cost), notOnPhone: true },
  ])

export const profitList = defineList<ProfitRow>()({
  name: 'profit',
  title: 'What it earned',
  path: '/sales/profit',
  days: twelveMonthsUntil,
  fields: {
    by: oneOf('By', PROFIT_BY_NAMES, 'sale'),
    from: dayField('From'),
    to: dayField('Through'),
    kind: hiddenText('Type'),
    channel: hiddenText('Channel'),
    customer: hiddenId('Customer'),
  },
  columns: profitColumns('sale', EVER),
  opensBy: { by: 'profit', down: true },
  empty: 'Nothing was earned in these days.',
  foot: { says: 'total', inFile: true },
  nothingFits: 'Nothing was earned in these days.',
})
