import type { OfferTally } from '@/core/sale'
import type { SaleCost, SalesBy } from '@/model/sale/reports'
import { defineColumns } from './column'
import { choice, dayField, hiddenText } from './field'
import { defineList } from './list'

const span = { from: dayField('From'), to: dayField('Through'), view: hiddenText('View') }

export const offersList = defineList<OfferTally>()({
  name: 'offers',
  title: 'How estimates fare',
  path: '/sales/reports',
  fields: {
    ...span,
    by: choice('Grouped', {
      month: 'by month',
      kind: 'by kind',
      channel: 'by channel',
      customer: 'by customer',
      reason: 'lost to',
    }),
  },
  columns: defineColumns<OfferTally>([
    { key: 'group', head: 'Estimates', as: 'text', of: (r) => r.group },
    { key: 'sent', head: 'Sent', as: 'count', of: (r) => r.sent, sum: true },
    { key: 'agreed', head: 'Accepted', as: 'count', of: (r) => r.agreed, sum: true },
    { key: 'lost', head: 'Lost', as: 'count', of: (r) => r.lost, sum: true },
    { key: 'open', head: 'Open', as: 'count', of: (r) => r.open, sum: true },
    { key: 'ratePercent', head: 'Acceptance rate', as: 'percent', of: (r) => r.rate },
    { key: 'daysToYes', head: 'Days to accept', as: 'quantity', of: (r) => r.days },
    { key: 'sentAmount', head: 'Sent for', as: 'money', of: (r) => r.sentAmount, sum: true },
    { key: 'agreedAmount', head: 'Accepted for', as: 'money', of: (r) => r.agreedAmount, sum: true },
  ]),
  opensBy: { by: 'group', down: false },
  empty: 'No estimates were sent in this period.',
  foot: { says: 'total', inFile: false },
  nothingFits: 'No estimates were sent in these days.',
})

export const saleCostsList = defineList<SaleCost>()({
  name: 'sale-costs',
  title: 'Estimate and actual',
  path: '/sales/reports',
  fields: span,
  columns: defineColumns<SaleCost>([
    { key: 'sale', head: 'Sale', as: 'number', of: (r) => r.number },
    {
      key: 'customer',
      head: 'Title',
      as: 'text',
      of: (r) => r.customer,
      href: (r) => `/sales/${r.saleId}`,
      note: (r) => `· ${r.title}`,
    },
    { key: 'title', head: 'Title', as: 'text', of: (r) => r.title, only: 'file' },
    { key: 'offered', head: 'First offered', as: 'money', of: (r) => r.offered },
    { key: 'agreed', head: 'Accepted', as: 'money', of: (r) => r.agreed },
    { key: 'billed', head: 'Invoiced', as: 'money', of: (r) => r.billed },
    { key: 'billedNet', head: 'Invoiced excl. tax', as: 'money', of: (r) => r.billedNet, only: 'file' },
    { key: 'expectedCost', head: 'Estimated cost', as: 'money', of: (r) => r.expectedCost, blankZero: true },
    { key: 'actualCost', head: 'Cost', as: 'money', of: (r) => r.actualCost, blankZero: true },
    { key: 'marginPercent', head: 'Margin', as: 'percent', of: (r) => r.margin },
  ]),
  opensBy: { by: 'sale', down: true },
  empty: 'No orders in this period.',
  nothingFits: 'No orders in this period.',
})

const salesBy = <N extends 'sales-by-kind' | 'sales-by-channel'>(name: N, head: string) =>
  defineList<SalesBy>()({
    name,
    title: `Sales by ${head.toLowerCase()}`,
    path: '/sales/reports',
    fields: span,
    columns: defineColumns<SalesBy>([
      { key: 'group', head, as: 'text', of: (r) => r.group },
      { key: 'sales', head: 'Sales', as: 'count', of: (r) => r.sales, sum: true },
      { key: 'total', head: 'Ordered incl. tax', as: 'money', of: (r) => r.total, sum: true },
      { key: 'billed', head: 'Invoiced', as: 'money', of: (r) => r.billed, sum: true },
      { key: 'share', head: 'Share', as: 'percent', of: (r) => r.share },
    ]),
    opensBy: { by: 'total', down: true },
    empty: 'No orders in this period.',
    foot: { says: 'total', inFile: false },
    nothingFits: 'No orders in this period.',
  })

export const salesByKindList = salesBy('sales-by-kind', 'Kind')
export const salesByChannelList = salesBy('sales-by-channel', 'Channel')
