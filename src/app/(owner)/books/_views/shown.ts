import type { Day } from '@/core/day'

export const VIEWS = {
  journal: 'Journal',
  'trial-balance': 'Trial balance',
  'profit-and-loss': 'Profit and loss',
  'balance-sheet': 'Balance sheet',
  'cash-flow': 'Cash flow',
  tax: 'Tax',
  ties: 'Do they agree?',
  closings: 'Closings',
  accounts: 'Accounts',
} as const

export type View = keyof typeof VIEWS

export const isView = (name: string | undefined): name is View => name !== undefined && Object.hasOwn(VIEWS, name)

/** What an address says of one view alone. */
export const OF_ONE_VIEW = {
  sort: undefined,
  page: undefined,
  search: undefined,
  code: undefined,
  component: undefined,
}

export interface Shown {
  readonly from: Day
  readonly to: Day
  readonly query: Record<string, string>
}
