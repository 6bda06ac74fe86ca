import { formatDay } from '@/core/day'
import type { Closing } from '@/model/books/journal'
import { absMoney, isPositiveMoney, isZeroMoney, subtractMoney, type Money } from '@/core/money'
import { ACCOUNT_KIND_NAMES } from '@/core/names'
import type { AccountRow, ChartRow } from '@/model/books/account'
import type { Tie } from '@/model/books/ties'
import type { BalanceRow, JournalLine, ReportLine } from '@/model/books/bookRows'
import { defineColumns, type Column } from './column'
import { dayOf, yearUntil } from './days'
import { partsOfBalance, partsOfCashFlow, partsOfProfit } from './reportParts'
import { dayField, hiddenId, hiddenText, hiddenYes, search, type Fields } from './field'
import { defineList, type List } from './list'

const view = { view: hiddenText('View') }
const asOf = { ...view, asOf: dayField('As of'), to: dayField('Through') }
const span = { ...view, from: dayField('From'), to: dayField('Through') }

const sides = <Row>(of: (row: Row) => Money): readonly Column<Row>[] => {
  const side = (row: Row, positive: boolean): Money | null => {
    const amount = of(row)
    return !isZeroMoney(amount) && isPositiveMoney(amount) === positive ? absMoney(amount) : null
  }
  return [
    { key: 'debit', head: 'Debit', as: 'money', of: (row) => side(row, true), sum: true },
    { key: 'credit', head: 'Credit', as: 'money', of: (row) => side(row, false), sum: true },
  ]
}

export const journalList = defineList<JournalLine>()({
  name: 'journal',
  title: 'Journal',
  path: '/books',
  fields: {
    ...span,
    search: search('Search entries', 'text, account'),
    account: hiddenId('Account'),
    acrossCash: hiddenYes('That moved cash'),
  },
  columns: defineColumns<JournalLine>([
    { key: 'entry', head: 'Entry', as: 'number', of: (l) => l.entryId, only: 'file' },
    { key: 'on', head: 'Date', as: 'day', of: (l) => l.on, tone: 'quiet' },
    { key: 'text', head: 'Description', as: 'text', of: (l) => l.text, href: (l) => l.href },
    { key: 'account', head: 'Code', as: 'text', of: (l) => l.code, only: 'file' },
    { key: 'name', head: 'Account', as: 'text', of: (l) => l.account, href: (l) => `/books/accounts/${l.accountId}` },
    ...sides<JournalLine>((l) => l.amount),
  ]),
  opensBy: { by: 'on', down: true },
  empty: 'No entries in this period. Invoices, receipts and handovers post automatically; add your own entry above.',
  nothingFits: 'No entries match.',
})

export const trialBalanceList = defineList<BalanceRow>()({
  name: 'trial-balance',
  title: 'Trial balance',
  path: '/books',
  days: dayOf,
  fields: asOf,
  columns: defineColumns<BalanceRow>([
    { key: 'account', head: 'Code', as: 'text', of: (r) => r.code },
    { key: 'name', head: 'Account', as: 'text', of: (r) => r.name, href: (r) => `/books/accounts/${r.id}` },
    ...sides<BalanceRow>((r) => subtractMoney(r.debit, r.credit)),
  ]),
  opensBy: { by: 'account', down: false },
  empty: 'Nothing is in the books by this day.',
  foot: { says: 'total', inFile: true },
  nothingFits: 'Nothing is in the books by this day.',
})

type Report<F extends Fields> = Pick<List<ReportLine, F>, 'name' | 'title' | 'fields' | 'days' | 'parts'>

const report = <F extends Fields>(of: Report<F>) =>
  defineList<ReportLine>()({
    ...of,
    path: '/books',
    columns: defineColumns<ReportLine>([
      { key: 'part', head: 'Part', as: 'text', of: (r) => r.part, only: 'file' },
      { key: 'account', head: 'Account', as: 'text', of: (r) => r.code },
      { key: 'name', head: 'Name', as: 'text', of: (r) => r.name },
      { key: 'amount', head: 'Amount', as: 'money', of: (r) => r.amount },
    ]),
    // A report has the order its parts are reckoned in.
    opensBy: { by: '', down: false },
    empty: 'Nothing is in the books in these days.',
    nothingFits: 'Nothing is in the books in these days.',
  })

export const profitAndLossList = report({
  name: 'profit-and-loss',
  title: 'Profit and loss',
  fields: span,
  days: yearUntil,
  parts: partsOfProfit,
})
/** With what it is meant to be beside it, and how much more or less it is. */
export const budgetColumns = defineColumns<ReportLine>([
  ...profitAndLossList.columns,
  { key: 'budget', head: 'Budget', as: 'money', of: (r) => r.budget ?? null },
  { key: 'over', head: 'Over budget', as: 'money', of: (r) => (r.budget ? subtractMoney(r.amount, r.budget) : null) },
])
export const cashFlowList = report({
  name: 'cash-flow',
  title: 'Cash flow',
  fields: span,
  days: yearUntil,
  parts: partsOfCashFlow,
})
export const balanceSheetList = report({
  name: 'balance-sheet',
  title: 'Balance sheet',
  fields: asOf,
  days: dayOf,
  parts: partsOfBalance,
})

export const tiesList = defineList<Tie>()({
  name: 'ties',
  title: 'Do they agree?',
  path: '/books',
  days: dayOf,
  fields: asOf,
  columns: defineColumns<Tie>([
    { key: 'name', head: 'Figure', as: 'text', of: (t) => t.name, href: (t) => t.documents ?? t.inTheBooks },
    { key: 'documents', head: 'Documents', as: 'money', of: (t) => t.subledger },
    { key: 'accounts', head: 'Accounts', as: 'money', of: (t) => t.account, href: (t) => t.inTheBooks },
    {
      key: 'difference',
      head: 'Difference',
      as: 'money',
      of: (t) => t.difference,
      tone: (t) => (isZeroMoney(t.difference) ? 'paid' : 'late'),
      note: (t) => (isZeroMoney(t.difference) ? '✓' : '✗'),
    },
  ]),
  // They have an order of their own.
  opensBy: { by: '', down: false },
  empty: 'Nothing is in the books by this day.',
  nothingFits: 'Nothing is in the books by this day.',
})

const sayClosing = (c: Closing): string =>
  c.kind === 'closed' && c.through
    ? `Closed through ${formatDay(c.through)}`
    : c.through
      ? `Reopened, closed through ${formatDay(c.through)}`
      : 'Reopened, nothing closed'

export const accountList = defineList<AccountRow>()({
  name: 'account',
  title: 'Account',
  path: '/books/accounts',
  days: yearUntil,
  fields: { account: hiddenId('Account'), from: dayField('From'), to: dayField('Through') },
  columns: defineColumns<AccountRow>([
    { key: 'on', head: 'Date', as: 'day', of: (l) => l.on, tone: 'quiet' },
    { key: 'text', head: 'Description', as: 'text', of: (l) => l.text, href: (l) => l.href },
    ...sides<AccountRow>((l) => l.amount),
    { key: 'balance', head: 'Balance', as: 'balance', of: (l) => l.balance },
  ]),
  opensBy: { by: 'on', down: false },
  empty: 'Nothing was posted here.',
  nothingFits: 'Nothing was posted here in these days.',
})

export const closingsList = defineList<Closing>()({
  name: 'closings',
  title: 'Closings',
  path: '/books',
  fields: view,
  columns: defineColumns<Closing>([
    { key: 'on', head: 'Date', as: 'day', of: (c) => c.on, tone: 'quiet' },
    { key: 'what', head: 'Description', as: 'text', of: sayClosing },
    { key: 'through', head: 'Closed through', as: 'day', of: (c) => c.through, only: 'file' },
    { key: 'reason', head: 'Why', as: 'text', of: (c) => c.reason },
  ]),
  opensBy: { by: 'on', down: true },
  empty: 'No period is closed yet. Close one when its reports are final.',
  nothingFits: 'Nothing was closed yet.',
})

export const accountsList = defineList<ChartRow>()({
  name: 'accounts',
  title: 'Chart of accounts',
  path: '/books',
  fields: view,
  columns: defineColumns<ChartRow>([
    { key: 'code', head: 'Code', as: 'text', of: (a) => a.code },
    { key: 'name', head: 'Account', as: 'text', of: (a) => a.name, href: (a) => `/books/accounts/${a.id}` },
    { key: 'type', head: 'Type', as: 'text', of: (a) => ACCOUNT_KIND_NAMES[a.kind], tone: 'quiet' },
    { key: 'holds', head: 'Balance', as: 'money', of: (a) => a.holds },
    { key: 'hidden', head: 'Hidden', as: 'text', of: (a) => (a.hidden ? 'hidden' : ''), tone: 'quiet' },
  ]),
  opensBy: { by: 'code', down: false },
  empty: 'No accounts yet. They come with setting up the business.',
  nothingFits: 'No accounts match.',
})
