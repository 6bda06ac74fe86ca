import { daysItLasts, marginOf, turnsAYear } from '@/core/stock'
import type { Turnover } from '@/model/goods/turnover'
import { defineColumns } from './column'
import { twelveMonthsUntil } from './days'
import { dayField } from './field'
import { defineList } from './list'

export const turnoverList = defineList<Turnover>()({
  name: 'turnover',
  title: 'What sells, what stays',
  path: '/goods/turnover',
  days: twelveMonthsUntil,
  fields: { from: dayField('From'), to: dayField('Through') },
  columns: defineColumns<Turnover>([
    { key: 'code', head: 'Code', as: 'text', of: (r) => r.code, tone: 'quiet', notOnPhone: true },
    { key: 'name', head: 'Name', as: 'text', of: (r) => r.name, href: (r) => `/goods/${r.goodsId}` },
    { key: 'sold', head: 'Sold', as: 'quantity', of: (r) => r.sold, blankZero: true },
    { key: 'income', head: 'Income', as: 'money', of: (r) => r.income, sum: true, blankZero: true },
    { key: 'cost', head: 'Cost', as: 'money', of: (r) => r.cost, sum: true, blankZero: true, notOnPhone: true },
    { key: 'profit', head: 'Profit', as: 'money', of: (r) => r.profit, sum: true, blankZero: true, tone: 'strong' },
    { key: 'margin', head: 'Margin', as: 'percent', of: (r) => marginOf(r.income, r.cost), notOnPhone: true },
    { key: 'onHand', head: 'On hand', as: 'quantity', of: (r) => r.onHand, blankZero: true },
    {
      key: 'value',
      head: 'Stock value',
      as: 'money',
      of: (r) => r.value,
      sum: true,
      blankZero: true,
      notOnPhone: true,
    },
    { key: 'turns', head: 'Turns a year', as: 'quantity', of: (r) => turnsAYear(r, r.days), notOnPhone: true },
    { key: 'lasts', head: 'Lasts, days', as: 'quantity', of: (r) => daysItLasts(r, r.days), notOnPhone: true },
    { key: 'lastSold', head: 'Last sold', as: 'day', of: (r) => r.lastSold, tone: 'quiet', notOnPhone: true },
    { key: 'lastCame', head: 'Last came in', as: 'day', of: (r) => r.lastCame, only: 'file' },
  ]),
  opensBy: { by: 'profit', down: true },
  empty: 'Nothing was sold in these days, and nothing is in stock.',
  foot: { says: 'total', inFile: true },
  nothingFits: 'Nothing was sold in these days, and nothing is in stock.',
})
