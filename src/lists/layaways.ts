import { LAYAWAY_NAMES } from '@/core/names'
import { formatDayShort } from '@/core/day'
import { formatMoney, isPositiveMoney } from '@/core/money'
import type { LayawayRow } from '@/model/plan/layawayBook'
import { defineColumns, type Tone } from './column'
import { defineList } from './list'

const toneOf = (r: LayawayRow): Tone | undefined =>
  r.stands === 'behind' ? 'late' : r.stands === 'paid up' ? 'paid' : undefined

const columns = defineColumns<LayawayRow>([
  { key: 'sale', head: 'Sale', as: 'number', of: (r) => r.number },
  { key: 'customer', head: 'Customer', as: 'text', of: (r) => r.customer, href: (r) => `/sales/${r.saleId}` },
  { key: 'title', head: 'Title', as: 'text', of: (r) => r.title, tone: 'quiet' },
  { key: 'stands', head: 'Status', as: 'text', of: (r) => LAYAWAY_NAMES[r.stands], tone: toneOf },
  { key: 'total', head: 'Total', as: 'money', of: (r) => r.total, sum: true, notOnPhone: true },
  { key: 'held', head: 'Held', as: 'money', of: (r) => r.held, blankZero: true, sum: true, tone: 'held' },
  { key: 'left', head: 'Left to pay', as: 'money', of: (r) => r.left, blankZero: true, sum: true },
  {
    key: 'behind',
    head: 'Behind',
    as: 'money',
    of: (r) => r.behind,
    blankZero: true,
    sum: true,
    tone: 'late',
    note: (r, { today }) =>
      r.behindSince && isPositiveMoney(r.behind) ? `since ${formatDayShort(r.behindSince, today)}` : null,
  },
  { key: 'behindSince', head: 'Behind since', as: 'day', of: (r) => r.behindSince, only: 'file' },
  {
    key: 'next',
    head: 'Next',
    as: 'day',
    of: (r) => r.next?.due ?? null,
    note: (r) => r.next && formatMoney(r.next.open),
  },
  { key: 'ends', head: 'Ends', as: 'day', of: (r) => r.ends, tone: 'quiet' },
])

export const layawaysList = defineList<LayawayRow>()({
  name: 'layaways',
  title: 'Layaway',
  path: '/owed/layaways',
  fields: {},
  columns,
  opensBy: { by: 'behind', down: true },
  empty: 'Nothing on layaway. On an order, choose Payment terms, then Layaway.',
  foot: { says: 'total', inFile: false },
  nothingFits: 'Nothing is on layaway.',
})
