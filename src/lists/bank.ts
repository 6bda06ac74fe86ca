import type { SettlementRow, SlipRow } from '@/model/bank/toBank'
import { defineColumns } from './column'
import { defineList } from './list'

const entryOf = (r: { readonly entryId: number }): string => `/books/entries/${r.entryId}`

export const slipsList = defineList<SlipRow>()({
  name: 'banking-slips',
  title: 'Banking slips',
  path: '/money-in/bank',
  fields: {},
  columns: defineColumns<SlipRow>([
    { key: 'slip', head: 'Number', as: 'text', of: (r) => r.number, href: entryOf },
    { key: 'on', head: 'On', as: 'day', of: (r) => r.on, tone: 'quiet' },
    { key: 'cash', head: 'Cash', as: 'money', of: (r) => r.cash, blankZero: true },
    { key: 'cheques', head: 'Checks', as: 'money', of: (r) => r.cheques, blankZero: true },
    { key: 'total', head: 'Total', as: 'money', of: (r) => r.total, tone: 'strong' },
    { key: 'void', head: 'Voided', as: 'day', of: (r) => r.voidedOn, tone: 'quiet', notOnPhone: true },
  ]),
  opensBy: { by: 'slip', down: true },
  empty: 'No banking slips yet.',
  nothingFits: 'No banking slips yet.',
})

export const settlementsList = defineList<SettlementRow>()({
  name: 'card-settlements',
  title: 'Card payouts received',
  path: '/money-in/bank',
  fields: {},
  columns: defineColumns<SettlementRow>([
    { key: 'settlement', head: 'Number', as: 'text', of: (r) => r.number, href: entryOf },
    { key: 'on', head: 'On', as: 'day', of: (r) => r.on, tone: 'quiet' },
    { key: 'takings', head: 'Sales', as: 'money', of: (r) => r.gross },
    { key: 'fees', head: 'Fees', as: 'money', of: (r) => r.fees, blankZero: true },
    { key: 'arrived', head: 'Received', as: 'money', of: (r) => r.net, tone: 'strong' },
    { key: 'void', head: 'Voided', as: 'day', of: (r) => r.voidedOn, tone: 'quiet', notOnPhone: true },
  ]),
  opensBy: { by: 'settlement', down: true },
  empty: 'No card payouts yet.',
  nothingFits: 'No card payouts yet.',
})
