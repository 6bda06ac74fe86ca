import type { Method } from '@/core/ledger'
import type { ReceiptRow } from '@/model/receipt/receiptPage'
import { defineColumns } from './column'
import { amountField, choice, customerField, dayField, hiddenDay, search } from './field'
import { defineList } from './list'

const METHOD_NAMES: Readonly<Record<Method, string>> = {
  cash: 'cash',
  card: 'card',
  cheque: 'cheque',
  transfer: 'transfer',
}

const columns = defineColumns<ReceiptRow>([
  {
    key: 'number',
    head: 'Receipt',
    as: 'text',
    of: (r) => r.number,
    href: (r) => `/receipts/${r.id}`,
    tone: (r) => (r.voidedOn ? 'struck' : undefined),
  },
  { key: 'customer', head: 'From', as: 'text', of: (r) => r.customerName },
  { key: 'on', head: 'On', as: 'day', of: (r) => r.on, tone: 'quiet' },
  {
    key: 'method',
    head: 'How',
    as: 'text',
    of: (r) => r.method,
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
    amount: amountField('Exactly'),
    method: choice('How', METHOD_NAMES, 'any way'),
    customer: customerField('Customer'),
    on: hiddenDay('On'),
  },
  columns,
  opensBy: { by: 'number', down: true },
  empty: 'Every receipt will stand here. Take money in, or sell at the counter.',
  foot: { says: 'received', inFile: false },
  nothingFits: 'No receipt fits.',
})
