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
    { key: 'cheques', head: 'Cheques', as: 'money', of: (r) => r.cheques, blankZero: true },
    { key: 'total', head: 'Total', as: 'money', of: (r) => r.total, tone: 'strong' },
  ]),
  opensBy: { by: 'slip', down: true },
  empty: 'What is taken to the bank together will stand here.',
  nothingFits: 'What is taken to the bank together will stand here.',
})

export const settlementsList = defineList<SettlementRow>()({
  name: 'card-settlements',
  title: 'Card takings that arrived',
  path: '/money-in/bank',
  fields: {},
  columns: defineColumns<SettlementRow>([
    { key: 'settlement', head: 'Number', as: 'text', of: (r) => r.number, href: entryOf },
    { key: 'on', head: 'On', as: 'day', of: (r) => r.on, tone: 'quiet' },
    { key: 'takings', head: 'Takings', as: 'money', of: (r) => r.gross },
    { key: 'fees', head: 'Fees', as: 'money', of: (r) => r.fees, blankZero: true },
    { key: 'arrived', head: 'Arrived', as: 'money', of: (r) => r.net, tone: 'strong' },
  ]),
  opensBy: { by: 'settlement', down: true },
  empty: 'Card takings that arrived at the bank will stand here.',
  nothingFits: 'Card takings that arrived at the bank will stand here.',
})
