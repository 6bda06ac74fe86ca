import { METHOD_NAMES } from '@/core/names'
import type { ReceiptRow } from '@/model/receipt/receiptPage'
import { defineColumns } from './column'
import { amountField, choice, customerField, dayField, hiddenDay, search } from './field'
import { defineList } from './list'

const columns = defineColumns<ReceiptRow>([
  {
    key: 'number',
    head: 'Receipt',
    as: 'text',
    of: (r) => r.number,
    href: (r) => `/receipts/${r.id}`,
    tone: (r) => (r.voidedOn ? 'struck' : undefined),
  },
  { key: 'customer', head: 'Customer', as: 'text', of: (r) => r.customerName },
  { key: 'on', head: 'Date', as: 'day', of: (r) => r.on, tone: 'quiet' },
  {
    key: 'method',
    head: 'Method',
    as: 'text',
    of: (r) => METHOD_NAMES[r.method],
    note: (r) => (r.invoiceId === null ? null : '· counter'),
  },
  { key: 'reference', head: 'Reference', as: 'text', of: (r) => r.reference, tone: 'quiet' },
  {
    key: 'amount',
    head: 'Amount',
    as: 'money',
    of: (r) => r.amount,
    sum: true,
    tone: (r) => (r.voidedOn ? 'struck' : undefined),
  },
  {
    key: 'voidedOn',
    head: 'Taken back',
    as: 'day',
    of: (r) => r.voidedOn,
    tone: 'quiet',
    note: (r) => (r.voidKind === 'bounced' ? 'bounced' : null),
  },
])

export const receiptsList = defineList<ReceiptRow>()({
  name: 'receipts',
  title: 'Receipt book',
  path: '/receipts',
  fields: {
    search: search('Search receipts', 'number, customer, reference'),
    from: dayField('From'),
    to: dayField('Through'),
    amount: amountField('Exact amount'),
    method: choice('Method', METHOD_NAMES, 'Any method'),
    customer: customerField('Customer'),
    on: hiddenDay('Date'),
  },
  columns,
  opensBy: { by: 'number', down: true },
  empty: 'No receipts yet. Take a payment or sell at the counter.',
  foot: { says: 'received', inFile: false },
  nothingFits: 'No receipts match.',
})
