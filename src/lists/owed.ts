import type { Day } from '@/core/day'
import { AGE_COLUMNS, ageNames, lateOf, USUAL_LIMITS, type AgeColumn, type AgeLimits } from '@/core/receivables'
import type { AgedRow } from '@/model/receivables/owed'
import { defineColumns, type Column } from './column'
import { dayOf } from './days'
import { choice, dayField, hiddenId, hiddenText, links } from './field'
import { defineList } from './list'

const AGE_GROUPS = { customer: 'customer', sale: 'sale', kind: 'kind', channel: 'channel' } as const
export type OwedGroup = keyof typeof AGE_GROUPS

const WHAT: Readonly<Record<OwedGroup, string>> = {
  customer: 'Customer',
  sale: 'Sale',
  kind: 'Type',
  channel: 'Channel',
}

/** What of the address a row leads on with: its day, and from when ages count. */
export interface OwedKept {
  readonly asOf: Day | null
  readonly by: 'due' | 'invoice' | null
}

/** Where a row leads: what it is made of. */
const hrefOf = (group: OwedGroup, r: AgedRow, kept: OwedKept): string => {
  if (group === 'sale' && /^\d+$/.test(r.key)) return `/sales/${r.key}`
  const query = new URLSearchParams()
  if (kept.asOf) query.set('asOf', kept.asOf)
  if (kept.by) query.set('by', kept.by)
  if (r.customerId !== null) return `/owed?${query}${query.size > 0 ? '&' : ''}customer=${r.customerId}#customer`
  query.set('group', 'sale')
  query.set(group, r.key)
  return `/owed?${query}`
}

const age = (key: AgeColumn, head: string): Column<AgedRow> => ({
  key,
  head,
  as: 'money',
  of: (r) => r[key],
  blankZero: true,
  sum: true,
  notOnPhone: true,
})

/** The columns of what is owed: how the rows are grouped, and where one age ends and the next begins, name their heads. */
export const owedColumns = (group: OwedGroup, limits: AgeLimits, kept: OwedKept) => {
  const names = ageNames(limits)
  return defineColumns<AgedRow>([
    { key: 'name', head: WHAT[group], as: 'text', of: (r) => r.name, href: (r) => hrefOf(group, r, kept) },
    { key: 'stands', head: 'Balance', as: 'text', of: () => null, only: 'drawn', notOnPhone: true },
    ...AGE_COLUMNS.map((key) => age(key, names[key])),
    { key: 'late', head: 'Late', as: 'money', of: lateOf, sum: true, only: 'file' },
    { key: 'total', head: 'Owed', as: 'money', of: (r) => r.total, sum: true, tone: 'strong' },
    { key: 'held', head: 'Held', as: 'money', of: (r) => r.held, blankZero: true, sum: true, tone: 'held' },
    {
      key: 'onAccount',
      head: 'On account',
      as: 'money',
      of: (r) => r.onAccount,
      blankZero: true,
      sum: true,
      tone: 'held',
    },
  ])
}

export const owedList = defineList<AgedRow>()({
  name: 'receivables',
  title: 'Owed to you',
  path: '/owed',
  days: dayOf,
  fields: {
    asOf: dayField('As of'),
    by: choice('Aged from', { due: 'due date', invoice: 'invoice date' }),
    group: choice('By', AGE_GROUPS),
    show: links('Only', { late: 'Late customers only', held: 'Customers with held money only' }),
    kind: hiddenText('Type'),
    channel: hiddenText('Channel'),
    customer: hiddenId('Customer'),
  },
  columns: owedColumns('customer', USUAL_LIMITS, { asOf: null, by: null }),
  // Whoever is late with most stands first.
  opensBy: { by: 'late', down: true },
  empty: 'Nobody owed you anything on this day.',
  foot: { says: 'total', inFile: true },
  nothingFits: 'No one matches.',
})
