import { formatDay } from '@/core/day'
import type { BankLineListRow, StatementListRow } from '@/model/bank/statements'
import { defineColumns } from './column'
import { hiddenId } from './field'
import { defineList } from './list'

export const statementsList = defineList<StatementListRow>()({
  name: 'bank-statements',
  title: 'Bank statements',
  path: '/money-in/statements',
  fields: {},
  columns: defineColumns<StatementListRow>([
    { key: 'through', head: 'Through', as: 'day', of: (s) => s.through, href: (s) => `/money-in/statements/${s.id}` },
    { key: 'from', head: 'From', as: 'day', of: (s) => s.from, tone: 'quiet' },
    { key: 'account', head: 'Account', as: 'text', of: (s) => s.bankAccount },
    { key: 'name', head: 'File', as: 'text', of: (s) => s.name, tone: 'quiet', notOnPhone: true },
    { key: 'lines', head: 'Lines', as: 'count', of: (s) => s.count, notOnPhone: true },
    { key: 'open', head: 'Open', as: 'count', of: (s) => s.open },
    { key: 'closing', head: 'Closing balance', as: 'money', of: (s) => s.closing, notOnPhone: true },
    {
      key: 'difference',
      head: 'Difference',
      as: 'money',
      of: (s) => s.difference,
      tone: (s) => (s.difference && s.difference.minor !== 0n ? 'late' : undefined),
    },
    { key: 'done', head: 'Done', as: 'text', of: (s) => (s.doneOn ? formatDay(s.doneOn) : ''), tone: 'quiet' },
  ]),
  opensBy: { by: 'through', down: true },
  empty: 'No statements yet. Import the first one as your bank gives it.',
  nothingFits: 'No statements match.',
})

export const bankLinesList = defineList<BankLineListRow>()({
  name: 'bank-lines',
  title: 'Lines of a bank statement',
  path: '/money-in/statements',
  fields: { statement: hiddenId('Statement') },
  columns: defineColumns<BankLineListRow>([
    { key: 'on', head: 'Date', as: 'day', of: (l) => l.on },
    { key: 'text', head: 'Text', as: 'text', of: (l) => l.text },
    { key: 'amount', head: 'Amount', as: 'money', of: (l) => l.amount, sum: true },
    { key: 'is', head: 'Matched with', as: 'text', of: (l) => l.is },
    { key: 'settled', head: 'Settled', as: 'yes', of: (l) => l.settled },
  ]),
  opensBy: { by: 'on', down: false },
  empty: 'No lines.',
  nothingFits: 'No lines.',
})
