import { z } from 'zod'
import { listSaleIds } from '@/data/queries/sales'
import { STANDS } from '@/core/sale'
import { toDecimalString } from '@/core/money'
import { findInvoice } from '@/data/queries/invoices'
import { billSale } from '@/services/billing/billSale'
import { creditInvoice } from '@/services/billing/creditInvoice'
import { changeDraft, dropDraft, issueInvoice } from '@/services/billing/draftWork'
import { invoiceView } from '@/services/billing/issueBill'
import { id as idField } from '@/services/input/fields'
import { readStories } from '@/services/read/stories'
import { saleView } from '@/services/read/views'
import { agreeSale } from '@/services/sales/agreeSale'
import { arrangeSale } from '@/services/sales/arrangeSale'
import { changeSale } from '@/services/sales/changeSale'
import { cancelSale, declineSale } from '@/services/sales/closeSale'
import { handOver } from '@/services/sales/handOver'
import { offerSale } from '@/services/sales/offerSale'
import { requestDeposit } from '@/services/sales/requestDeposit'
import { startSale } from '@/services/sales/startSale'
import { change, listOf, noQuery, page, read, readCursor } from '../operation'

const ofSale = { path: { saleId: 'id' } }
const ofInvoice = { path: { invoiceId: 'id' } }

export const sales = [
  change('/sales', 'A new sale, as a draft.', startSale, { status: 201 }),
  read(
    '/sales',
    'Sales, newest first.',
    page.extend({
      search: z.string().max(200).optional(),
      stands: z.enum([...STANDS, 'working']).optional(),
      customerId: idField.optional(),
    }),
    async ({ db, business, today, query }) => {
      const ids = await listSaleIds(
        db,
        query,
        { limit: query.limit, after: readCursor(z.number().int(), query.after) },
        today,
      )
      return listOf(
        await readStories(db, ids, business, today),
        query.limit,
        (s) => ({
          id: s.sale.id,
          number: s.sale.number,
          customerId: s.sale.customerId,
          customer: s.sale.customerName,
          title: s.sale.title,
          stands: s.stands,
          startedOn: s.sale.startedOn,
          total: toDecimalString(s.bar.total),
          money: {
            earned: toDecimalString(s.bar.earned),
            held: toDecimalString(s.bar.held),
            notDue: toDecimalString(s.bar.notDue),
            late: toDecimalString(s.bar.late),
            toCome: toDecimalString(s.bar.toCome),
          },
        }),
        (s) => s.sale.id,
      )
    },
  ),
  read(
    '/sales/{id}',
    'A sale: where it stands, its lines, money, next and trail.',
    noQuery,
    ({ db, id, business, today }) => saleView(db, id, business, today),
    'sale',
  ),
  change('/sales/{id}/offer', 'Sends the estimate.', offerSale, ofSale),
  change('/sales/{id}/agree', 'The customer said yes, to all or to chosen lines.', agreeSale, ofSale),
  change('/sales/{id}/decline', 'The customer said no.', declineSale, ofSale),
  change('/sales/{id}/cancel', 'The sale is called off.', cancelSale, ofSale),
  change(
    '/sales/{id}/change',
    'New lines: a new agreed version, or a new draft before agreement.',
    changeSale,
    ofSale,
  ),
  change('/sales/{id}/arrangement', 'How the sale will be paid.', arrangeSale, {
    ...ofSale,
    bodyAs: 'arrangement',
  }),
  change('/sales/{id}/handovers', 'Goods go to the customer.', handOver, ofSale),
  change('/sales/{id}/deposit-requests', 'Asks for money ahead.', requestDeposit, { ...ofSale, status: 201 }),
  change(
    '/sales/{id}/invoices',
    'Bills what was handed over, what remains, a percentage, or chosen lines.',
    billSale,
    { ...ofSale, status: 201 },
  ),
  read(
    '/invoices/{id}',
    'An invoice, counter sale or credit note.',
    noQuery,
    async ({ db, id, business }) =>
      (await findInvoice(db, id, business.currency))
        ? invoiceView({ tx: db as never, currency: business.currency }, id)
        : null,
    'invoice',
  ),
  change('/invoices/{id}', 'Changes a draft.', changeDraft, { ...ofInvoice, method: 'PATCH' }),
  change('/invoices/{id}', 'Throws a draft away.', dropDraft, { ...ofInvoice, method: 'DELETE' }),
  change('/invoices/{id}/issue', 'Issues a draft; it never changes afterwards.', issueInvoice, ofInvoice),
  change('/invoices/{id}/credit-notes', 'Credits an invoice: whole, by lines, or an amount.', creditInvoice, {
    ...ofInvoice,
    status: 201,
  }),
]
