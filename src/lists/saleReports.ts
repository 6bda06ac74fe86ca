import type { Day } from '@/core/day'
import { fateOf, type Fate, type OfferTally } from '@/core/sale'
import type { OfferGroup, OrderInSpan, SaleCost, SalesBy, SentOffer } from '@/model/sale/reports'
import { defineColumns, type Column } from './column'
import { twelveMonthsUntil } from './days'
import { choice, dayField, hiddenText } from './field'
import { defineList } from './list'

const span = { from: dayField('From'), to: dayField('Through'), view: hiddenText('View') }

/** Which sale a row is of; it opens it. */
const ofSale: readonly Column<{
  readonly saleId: number
  readonly number: number
  readonly customer: string
  readonly title: string
}>[] = [
  { key: 'sale', head: 'Sale', as: 'number', of: (r) => r.number },
  {
    key: 'customer',
    head: 'Customer and title',
    as: 'text',
    of: (r) => r.customer,
    href: (r) => `/sales/${r.saleId}`,
    note: (r) => `· ${r.title}`,
  },
  { key: 'title', head: 'Title', as: 'text', of: (r) => r.title, only: 'file' },
]

/** The days and the grouping of a report, as its figures lead on with them. */
export interface OffersKept {
  readonly from: Day
  readonly to: Day
  readonly by: OfferGroup
}

/** How estimates fared by group; every figure opens into the estimates it counts. */
export const offersColumns = (kept: OffersKept | null) => {
  const into =
    (fate?: Fate) =>
    ({ group }: OfferTally): string =>
      `/sales/reports?${new URLSearchParams({ view: 'offers', ...kept, group, ...(fate && { fate }) })}`
  const counts = (key: 'agreed' | 'lost' | 'open', head: string): Column<OfferTally> => ({
    key,
    head,
    as: 'count',
    of: (r) => r[key],
    sum: true,
    href: into(key),
  })
  return defineColumns<OfferTally>([
    { key: 'group', head: 'Estimates', as: 'text', of: (r) => r.group, href: into() },
    { key: 'sent', head: 'Sent', as: 'count', of: (r) => r.sent, sum: true },
    counts('agreed', 'Accepted'),
    counts('lost', 'Lost'),
    counts('open', 'Open'),
    { key: 'ratePercent', head: 'Acceptance rate', as: 'percent', of: (r) => r.rate },
    { key: 'daysToYes', head: 'Days to accept', as: 'quantity', of: (r) => r.days },
    { key: 'sentAmount', head: 'Sent for', as: 'money', of: (r) => r.sentAmount, sum: true },
    {
      key: 'agreedAmount',
      head: 'Accepted for',
      as: 'money',
      of: (r) => r.agreedAmount,
      sum: true,
      href: into('agreed'),
    },
  ])
}

const by = choice('Grouped', {
  month: 'by month',
  kind: 'by kind',
  channel: 'by channel',
  customer: 'by customer',
  reason: 'lost to',
})

export const offersList = defineList<OfferTally>()({
  name: 'offers',
  title: 'How estimates fare',
  path: '/sales/reports',
  days: twelveMonthsUntil,
  fields: { ...span, by },
  columns: offersColumns(null),
  opensBy: { by: 'group', down: false },
  empty: 'No estimates were sent in this period.',
  foot: { says: 'total', inFile: false },
  nothingFits: 'No estimates were sent in these days.',
})

const FATE_NAMES: Readonly<Record<Fate, string>> = { agreed: 'Accepted', lost: 'Lost', open: 'Open' }

export const sentOffersList = defineList<SentOffer>()({
  name: 'estimates-sent',
  title: 'Estimates sent',
  path: '/sales/reports',
  days: twelveMonthsUntil,
  fields: { ...span, by, group: hiddenText('Group'), fate: choice('Outcome', FATE_NAMES) },
  columns: defineColumns<SentOffer>([
    ...ofSale,
    { key: 'sentOn', head: 'Sent', as: 'day', of: (r) => r.sentOn, tone: 'quiet' },
    {
      key: 'fate',
      head: 'Outcome',
      as: 'text',
      of: (r) => FATE_NAMES[fateOf(r)],
      note: (r) => (fateOf(r) === 'lost' ? `· ${r.reason}` : null),
    },
    { key: 'agreedOn', head: 'Accepted', as: 'day', of: (r) => r.agreedOn, notOnPhone: true },
    { key: 'total', head: 'Total', as: 'money', of: (r) => r.total, sum: true, tone: 'strong' },
  ]),
  opensBy: { by: 'sentOn', down: true },
  empty: 'No estimates were sent in this period.',
  foot: { says: 'total', inFile: false },
  nothingFits: 'No estimates were sent in these days.',
})

export const saleCostsList = defineList<SaleCost>()({
  name: 'sale-costs',
  title: 'Estimate and actual',
  path: '/sales/reports',
  days: twelveMonthsUntil,
  fields: span,
  columns: defineColumns<SaleCost>([
    ...ofSale,
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

/** Orders by kind or channel; every figure opens into the orders it adds up. */
export const salesByColumns = (part: 'kind' | 'channel', days: Pick<OffersKept, 'from' | 'to'> | null) =>
  defineColumns<SalesBy>([
    {
      key: 'group',
      head: part === 'kind' ? 'Type' : 'Channel',
      as: 'text',
      of: (r) => r.group,
      href: (r) => `/sales/reports?${new URLSearchParams({ view: 'by', ...days, [part]: r.group })}`,
    },
    { key: 'sales', head: 'Sales', as: 'count', of: (r) => r.sales, sum: true },
    { key: 'total', head: 'Ordered incl. tax', as: 'money', of: (r) => r.total, sum: true },
    { key: 'billed', head: 'Invoiced', as: 'money', of: (r) => r.billed, sum: true },
    { key: 'share', head: 'Share', as: 'percent', of: (r) => r.share },
  ])

const salesBy = <N extends 'sales-by-kind' | 'sales-by-channel'>(name: N, part: 'kind' | 'channel') =>
  defineList<SalesBy>()({
    name,
    title: `Sales by ${part}`,
    path: '/sales/reports',
    days: twelveMonthsUntil,
    fields: span,
    columns: salesByColumns(part, null),
    opensBy: { by: 'total', down: true },
    empty: 'No orders in this period.',
    foot: { says: 'total', inFile: false },
    nothingFits: 'No orders in this period.',
  })

export const salesByKindList = salesBy('sales-by-kind', 'kind')
export const salesByChannelList = salesBy('sales-by-channel', 'channel')

export const ordersList = defineList<OrderInSpan>()({
  name: 'orders',
  title: 'Orders',
  path: '/sales/reports',
  days: twelveMonthsUntil,
  fields: { ...span, kind: hiddenText('Type'), channel: hiddenText('Channel') },
  columns: defineColumns<OrderInSpan>([
    ...ofSale,
    { key: 'agreedOn', head: 'Accepted', as: 'day', of: (r) => r.agreedOn, tone: 'quiet' },
    { key: 'total', head: 'Ordered incl. tax', as: 'money', of: (r) => r.total, sum: true, tone: 'strong' },
    { key: 'billed', head: 'Invoiced', as: 'money', of: (r) => r.billed, sum: true },
  ]),
  opensBy: { by: 'agreedOn', down: true },
  empty: 'No orders in this period.',
  foot: { says: 'total', inFile: false },
  nothingFits: 'No orders in this period.',
})
