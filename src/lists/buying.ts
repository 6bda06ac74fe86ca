import { AGE_COLUMNS, ageNames, USUAL_LIMITS } from '@/core/receivables'
import { PURCHASE_STATUS_NAMES } from '@/core/names'
import type {
  BillOnList,
  OrderOnList,
  PaymentOnList,
  ProposalOnList,
  ReceivedOnList,
  SupplierOnList,
} from '@/model/buying/onLists'
import type { NotInvoiced } from '@/model/buying/notInvoiced'
import type { PayableRow } from '@/model/buying/payables'
import { defineColumns } from './column'
import { dayOf } from './days'
import { dayField, hiddenId, links, search } from './field'
import { defineList } from './list'

export const purchaseOrdersList = defineList<OrderOnList>()({
  name: 'purchase-orders',
  title: 'Purchase orders',
  path: '/buying',
  fields: { status: links('How far they are', PURCHASE_STATUS_NAMES), supplier: hiddenId('Supplier') },
  columns: defineColumns<OrderOnList>([
    { key: 'number', head: 'Number', as: 'text', of: (o) => o.number, href: (o) => `/buying/orders/${o.id}` },
    {
      key: 'supplier',
      head: 'Supplier',
      as: 'text',
      of: (o) => o.supplier,
      href: (o) => `/buying/suppliers/${o.supplierId}`,
    },
    { key: 'on', head: 'Date', as: 'day', of: (o) => o.on, tone: 'quiet' },
    { key: 'what', head: 'Goods', as: 'text', of: (o) => o.what, notOnPhone: true },
    {
      key: 'wantedBy',
      head: 'Needed by',
      as: 'day',
      of: (o) => o.wantedBy,
      tone: (o, { today }) => (o.isOpen && o.wantedBy !== null && o.wantedBy < today ? 'late' : undefined),
    },
    { key: 'net', head: 'Net', as: 'money', of: (o) => o.net, sum: true },
    {
      key: 'status',
      head: 'Status',
      as: 'text',
      of: (o) => PURCHASE_STATUS_NAMES[o.status],
      tone: (o) => (o.status === 'received' ? 'paid' : undefined),
    },
  ]),
  opensBy: { by: 'number', down: true },
  empty: 'Nothing was ordered from a supplier yet. Choose “New purchase order”.',
  foot: { says: 'total', inFile: true },
  nothingFits: 'No purchase orders here.',
})

export const goodsReceivedList = defineList<ReceivedOnList>()({
  name: 'goods-received',
  title: 'Goods received',
  path: '/buying/received',
  fields: { supplier: hiddenId('Supplier') },
  columns: defineColumns<ReceivedOnList>([
    { key: 'number', head: 'Number', as: 'text', of: (r) => r.number, href: (r) => `/buying/received/${r.id}` },
    {
      key: 'supplier',
      head: 'Supplier',
      as: 'text',
      of: (r) => r.supplier,
      href: (r) => `/buying/suppliers/${r.supplierId}`,
    },
    { key: 'on', head: 'Date', as: 'day', of: (r) => r.on, tone: 'quiet' },
    { key: 'what', head: 'Goods', as: 'text', of: (r) => r.what },
    { key: 'value', head: 'Worth', as: 'money', of: (r) => r.value, sum: true },
    { key: 'notBilled', head: 'Not billed', as: 'money', of: (r) => r.notBilled, sum: true, blankZero: true },
  ]),
  opensBy: { by: 'number', down: true },
  empty: 'Nothing came from a supplier yet.',
  foot: { says: 'total', inFile: true },
  nothingFits: 'Nothing came here.',
})

export const billsList = defineList<BillOnList>()({
  name: 'bills',
  title: 'Bills',
  path: '/buying/bills',
  fields: {
    show: links('Which', { open: 'Unpaid', late: 'Late' }),
    from: dayField('From'),
    to: dayField('Through'),
    supplier: hiddenId('Supplier'),
  },
  columns: defineColumns<BillOnList>([
    {
      key: 'theirNumber',
      head: 'Their number',
      as: 'text',
      of: (b) => b.theirNumber,
      href: (b) => `/buying/bills/${b.id}`,
    },
    {
      key: 'supplier',
      head: 'Supplier',
      as: 'text',
      of: (b) => b.supplier,
      href: (b) => `/buying/suppliers/${b.supplierId}`,
    },
    { key: 'number', head: 'Number', as: 'text', of: (b) => b.number, tone: 'quiet', notOnPhone: true },
    { key: 'on', head: 'Date', as: 'day', of: (b) => b.on, tone: 'quiet' },
    { key: 'dueOn', head: 'Due', as: 'day', of: (b) => b.dueOn, tone: (b) => (b.isLate ? 'late' : undefined) },
    { key: 'gross', head: 'Total', as: 'money', of: (b) => b.gross, sum: true },
    { key: 'open', head: 'Open', as: 'money', of: (b) => b.open, sum: true, blankZero: true, tone: 'strong' },
    { key: 'state', head: 'Status', as: 'text', of: (b) => (b.isVoid ? 'Void' : b.isOpen ? 'Unpaid' : 'Paid') },
  ]),
  opensBy: { by: 'on', down: true },
  empty: 'No bill was entered yet.',
  foot: { says: 'total', inFile: true },
  nothingFits: 'No bills here.',
})

export const supplierPaymentsList = defineList<PaymentOnList>()({
  name: 'supplier-payments',
  title: 'Payments to suppliers',
  path: '/buying/payments',
  fields: { from: dayField('From'), to: dayField('Through'), supplier: hiddenId('Supplier') },
  columns: defineColumns<PaymentOnList>([
    { key: 'number', head: 'Number', as: 'text', of: (p) => p.number, href: (p) => `/buying/payments/${p.id}` },
    {
      key: 'supplier',
      head: 'Supplier',
      as: 'text',
      of: (p) => p.supplier,
      href: (p) => `/buying/suppliers/${p.supplierId}`,
    },
    { key: 'on', head: 'Date', as: 'day', of: (p) => p.on, tone: 'quiet' },
    { key: 'account', head: 'From', as: 'text', of: (p) => p.account },
    { key: 'amount', head: 'Amount', as: 'money', of: (p) => p.amount, sum: true },
    { key: 'state', head: 'Status', as: 'text', of: (p) => (p.isVoid ? 'Void' : 'Paid') },
  ]),
  opensBy: { by: 'number', down: true },
  empty: 'Nothing was paid to a supplier yet.',
  foot: { says: 'total', inFile: true },
  nothingFits: 'No payments here.',
})

export const suppliersList = defineList<SupplierOnList>()({
  name: 'suppliers',
  title: 'Suppliers',
  path: '/buying/suppliers',
  fields: { search: search('Search', 'name or e-mail') },
  columns: defineColumns<SupplierOnList>([
    { key: 'name', head: 'Name', as: 'text', of: (s) => s.name, href: (s) => `/buying/suppliers/${s.id}` },
    { key: 'phone', head: 'Phone', as: 'text', of: (s) => s.phone, notOnPhone: true },
    { key: 'email', head: 'Email', as: 'text', of: (s) => s.email, notOnPhone: true },
    { key: 'onOrder', head: 'On order', as: 'money', of: (s) => s.onOrder, sum: true, blankZero: true },
    { key: 'owed', head: 'Owed to them', as: 'money', of: (s) => s.owed, sum: true, blankZero: true, tone: 'strong' },
    { key: 'late', head: 'Late', as: 'money', of: (s) => s.late, sum: true, blankZero: true, tone: 'late' },
  ]),
  opensBy: { by: 'name', down: false },
  empty: 'No suppliers yet.',
  foot: { says: 'total', inFile: true },
  nothingFits: 'No supplier is called so.',
})

const NAMES = ageNames(USUAL_LIMITS)

export const payablesList = defineList<PayableRow>()({
  name: 'payables',
  title: 'Payables',
  path: '/buying/payables',
  days: dayOf,
  fields: { asOf: dayField('As of') },
  columns: defineColumns<PayableRow>([
    {
      key: 'name',
      head: 'Supplier',
      as: 'text',
      of: (r) => r.name,
      href: (r) => `/buying/bills?supplier=${r.supplierId}`,
    },
    ...AGE_COLUMNS.map((key) => ({
      key,
      head: NAMES[key],
      as: 'money' as const,
      of: (r: PayableRow) => r[key],
      sum: true as const,
      blankZero: true as const,
      notOnPhone: true as const,
    })),
    { key: 'total', head: 'Owed to them', as: 'money', of: (r) => r.total, sum: true, tone: 'strong' },
  ]),
  opensBy: { by: 'total', down: true },
  empty: 'Nothing was owed to a supplier on this day.',
  foot: { says: 'total', inFile: true },
  nothingFits: 'Nothing was owed to a supplier on this day.',
})

export const proposalsList = defineList<ProposalOnList>()({
  name: 'proposals',
  title: 'What to order',
  path: '/buying/proposals',
  fields: {},
  columns: defineColumns<ProposalOnList>([
    { key: 'name', head: 'Item', as: 'text', of: (p) => p.name, href: (p) => `/goods/${p.goodsId}` },
    { key: 'quantity', head: 'Quantity', as: 'quantity', of: (p) => p.quantity },
    { key: 'supplier', head: 'Supplier', as: 'text', of: (p) => p.supplier },
    { key: 'why', head: 'Why', as: 'text', of: (p) => p.says },
  ]),
  opensBy: { by: 'name', down: false },
  empty: 'Nothing is short, and nothing fell to its reorder point.',
  nothingFits: 'Nothing is short, and nothing fell to its reorder point.',
})

/** What is between a supplier's goods and their bills, in words. */
const sayBetween = ({ quantity }: NotInvoiced): string =>
  quantity.gt(0) ? 'Came, not billed' : quantity.lt(0) ? 'Billed, not here' : 'Rounding'

export const notInvoicedList = defineList<NotInvoiced>()({
  name: 'not-invoiced',
  title: 'Received, not invoiced',
  path: '/buying/not-invoiced',
  days: dayOf,
  fields: { asOf: dayField('As of') },
  columns: defineColumns<NotInvoiced>([
    { key: 'name', head: 'Item', as: 'text', of: (r) => r.name, href: (r) => `/goods/${r.goodsId}` },
    {
      key: 'supplier',
      head: 'Supplier',
      as: 'text',
      of: (r) => r.supplier,
      href: (r) => `/buying/suppliers/${r.supplierId}`,
    },
    {
      key: 'paper',
      head: 'Document',
      as: 'text',
      of: (r) => r.paper,
      href: (r) => (r.orderId === null ? `/buying/received/${r.receivedId}` : `/buying/orders/${r.orderId}`),
      notOnPhone: true,
    },
    { key: 'since', head: 'Since', as: 'day', of: (r) => r.since, tone: 'quiet' },
    { key: 'says', head: 'Status', as: 'text', of: sayBetween, notOnPhone: true },
    { key: 'quantity', head: 'Quantity', as: 'quantity', of: (r) => r.quantity },
    { key: 'value', head: 'Worth', as: 'money', of: (r) => r.value, sum: true, tone: 'strong' },
  ]),
  opensBy: { by: 'since', down: false },
  empty: 'All that came is billed, and all that is billed came.',
  foot: { says: 'total', inFile: true },
  nothingFits: 'All that came is billed, and all that is billed came.',
})
