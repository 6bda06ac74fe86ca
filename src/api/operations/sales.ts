import { profitView } from '@/model/sale/profit'
import { PROFIT_BY, CHANNELS } from '@/core/kinds'
import { z } from 'zod'
import { listSaleIds } from '@/data/queries/sales'
import { STANDS } from '@/core/sale'
import { toDecimalString } from '@/core/money'
import { findHandover } from '@/data/queries/handover'
import { findInvoice } from '@/data/queries/invoices'
import { billSale } from '@/services/billing/billSale'
import { creditInvoice } from '@/services/billing/creditInvoice'
import { changeDraft, dropDraft, issueInvoice } from '@/services/billing/draftWork'
import { id as idField, day } from '@/contract/fields'
import { saleView } from '@/model/sale/saleView'
import { agreeSale } from '@/services/sales/agreeSale'
import { arrangeSale } from '@/services/sales/arrangeSale'
import { changeSale } from '@/services/sales/changeSale'
import { cancelSale, declineSale } from '@/services/sales/closeSale'
import { handOverBy } from '@/services/sales/handOver'
import { heronParcel } from '@/standins/carrier/carrier'
import { offerSale } from '@/services/sales/offerSale'
import { requestDeposit } from '@/services/sales/requestDeposit'
import { startSale } from '@/services/sales/startSale'
import { twelveMonthsUntil } from '@/lists/days'
import { err, ok } from '@/core/result'
import { findBusiness } from '@/data/queries/business'
import { listRepeats } from '@/data/queries/repeats'
import { giveLink, readLinks, withdrawOneLink, withdrawSaleLinks } from '@/services/post/links'
import { once } from '@/services/command'
import { returnGoods } from '@/services/sales/returnGoods'
import { readComing, viewOfRepeat } from '@/model/sale/repeats'
import { offersView, saleCostsView } from '@/model/sale/reports'
import { readComparison, readVersions, viewOfVersion } from '@/model/sale/versions'
import { copySale } from '@/services/sales/copySale'
import { startRepeat, stopRepeat } from '@/services/sales/keepRepeat'
import { handoverView } from '@/model/sale/handoverView'
import { bringBackNext, dropNext, putOffNext } from '@/services/sales/markNext'
import { runDueRepeats } from '@/services/sales/runRepeats'
import { change, listOf, noQuery, page, read, readCursor, type Operation } from '../operation'
import { readGlances } from '@/model/sale/readGlances'
import { invoiceView } from '@/model/invoice/invoiceView'

const ofSale = { path: { saleId: 'id' } }
const span = z.object({ from: day.optional(), to: day.optional() })

const runRepeatsNow: Operation = {
  method: 'POST',
  path: '/repeats/run',
  summary: 'Makes what is due by the business date. It also happens automatically.',
  run: async ({ till, key }) => {
    const business = await findBusiness(till.db)
    if (!business) return err({ code: 'not-set-up' })
    return once(till, key, { name: 'run-repeats', input: {} }, async () =>
      ok({ status: 200, body: { items: await runDueRepeats(till, business.currency), next: null } }),
    )
  },
}
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
      kind: z.string().max(40).optional(),
      channel: z.enum(CHANNELS).optional(),
    }),
    async ({ db, business, today, query }) => {
      const ids = await listSaleIds(
        db,
        query,
        { limit: query.limit, after: readCursor(z.number().int(), query.after) },
        today,
      )
      return listOf(
        await readGlances(db, ids, business, today),
        query.limit,
        (s) => ({
          id: s.sale.id,
          number: s.sale.number,
          customerId: s.sale.customerId,
          customer: s.sale.customerName,
          title: s.sale.title,
          stands: s.stands,
          startedOn: s.sale.startedOn,
          kind: s.sale.kind,
          channel: s.sale.channel,
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
    'A sale: its status, lines, money, next steps and trail.',
    noQuery,
    ({ db, id, business, today }) => saleView(db, id, business, today),
    'sale',
  ),
  change('/sales/{id}/copy', 'A new draft that holds what this sale holds.', copySale, {
    ...ofSale,
    status: 201,
  }),
  read('/sales/{id}/versions', 'Every version that was sent or accepted.', noQuery, async ({ db, id, business }) => ({
    items: (await readVersions(db, id, business.currency)).map(viewOfVersion),
    next: null,
  })),
  read(
    '/sales/{id}/comparison',
    'Two versions beside each other; the last two where none are named.',
    z.object({ before: idField.optional(), now: idField.optional() }),
    async ({ db, id, business, query }) => {
      const c = await readComparison(db, id, query, business.currency)
      return c && { before: viewOfVersion(c.before), now: viewOfVersion(c.now), lines: c.lines }
    },
    'pair of versions of sale',
  ),
  change('/sales/{id}/next/put-off', 'Postpones a next step to a day.', putOffNext, ofSale),
  change('/sales/{id}/next/drop', 'Dismisses a next step, with a reason.', dropNext, ofSale),
  change('/sales/{id}/next/bring-back', 'Brings back a step that was postponed or dismissed.', bringBackNext, ofSale),
  change('/sales/{id}/repeats', 'Repeats the sale.', startRepeat, { ...ofSale, status: 201 }),
  read('/repeats', 'Sales that come again, the next to come first.', noQuery, async ({ db, business }) => ({
    items: (await listRepeats(db, {}, business.currency)).map(viewOfRepeat),
    next: null,
  })),
  read(
    '/repeats/coming',
    'What they will make in the months ahead.',
    z.object({ months: z.coerce.number().int().min(1).max(24).default(6) }),
    async ({ db, business, today, query }) => ({
      items: (await readComing(db, today, query.months, business.currency)).map((c) => ({
        on: c.on,
        repeatId: c.repeat.id,
        customer: c.repeat.customerName,
        title: c.repeat.title,
        total: toDecimalString(c.total),
      })),
      next: null,
    }),
  ),
  change('/repeats/{id}/stop', 'Stops a repeat.', stopRepeat, { path: { repeatId: 'id' } }),
  runRepeatsNow,
  change('/sales/{id}/links', 'A link to the customer’s page of this sale, to give away by hand.', giveLink, {
    ...ofSale,
    status: 201,
  }),
  change('/links/{id}', 'Turns one link to a customer’s page off.', withdrawOneLink, {
    path: { linkId: 'id' },
    method: 'DELETE',
  }),
  read(
    '/customers/{id}/links',
    'The links of a customer that open something, without their secrets.',
    noQuery,
    async ({ db, id, today }) => ({
      items: await readLinks(db, id, today),
      next: null,
    }),
  ),
  change('/sales/{id}/links', 'Withdraws every link of the sale.', withdrawSaleLinks, {
    ...ofSale,
    method: 'DELETE',
  }),
  read(
    '/reports/offers',
    'How many estimates became orders, by month, kind, channel or customer, or what they were lost to.',
    span.extend({ by: z.enum(['month', 'kind', 'channel', 'customer', 'reason']).default('month') }),
    async ({ db, business, today, query }) => ({
      items: await offersView(db, twelveMonthsUntil(query, today), query.by, business, today),
      next: null,
    }),
  ),
  read(
    '/reports/profit',
    'What was earned, by sale, item, customer, kind, channel or month: together the gross profit.',
    span.extend({ by: z.enum(PROFIT_BY).optional() }),
    ({ db, business, today, query }) =>
      profitView(db, query.by ?? 'sale', twelveMonthsUntil(query, today), business.currency),
  ),
  read(
    '/reports/sale-costs',
    'Estimated, ordered, invoiced and actual cost side by side.',
    span.extend(page.shape),
    async ({ db, business, today, query }) =>
      listOf(
        await saleCostsView(db, twelveMonthsUntil(query, today), business, {
          limit: query.limit,
          after: readCursor(z.number().int(), query.after),
        }),
        query.limit,
        (r) => r,
        (r) => r.saleId,
      ),
  ),
  change('/sales/{id}/offer', 'Sends the estimate.', offerSale, ofSale),
  change('/sales/{id}/agree', 'The customer accepted, all of it or chosen lines.', agreeSale, ofSale),
  change('/sales/{id}/decline', 'The customer said no.', declineSale, ofSale),
  change('/sales/{id}/cancel', 'The sale is called off.', cancelSale, ofSale),
  change(
    '/sales/{id}/change',
    'New lines: a new version of the order, or a new draft before it is accepted.',
    changeSale,
    ofSale,
  ),
  change('/sales/{id}/arrangement', 'How the sale will be paid.', arrangeSale, {
    ...ofSale,
    bodyAs: 'arrangement',
  }),
  change('/sales/{id}/handovers', 'Goods go to the customer.', handOverBy(heronParcel), ofSale),
  read(
    '/handovers/{id}',
    'A handover or a return: what went or came, what it cost, and from where.',
    noQuery,
    async ({ db, id, business }) =>
      (await findHandover(db, id, business.currency)) ? handoverView(db, id, business.currency) : null,
    'handover',
  ),
  change('/handovers/{id}/returns', 'Goods handed over and not invoiced come back.', returnGoods, {
    path: { handoverId: 'id' },
    status: 201,
  }),
  change('/sales/{id}/deposit-requests', 'Asks for money ahead.', requestDeposit, { ...ofSale, status: 201 }),
  change(
    '/sales/{id}/invoices',
    'Invoices what was handed over, everything left, a percentage, or chosen lines.',
    billSale,
    {
      ...ofSale,
      status: 201,
    },
  ),
  read(
    '/invoices/{id}',
    'An invoice, counter sale or credit note.',
    noQuery,
    async ({ db, id, business }) =>
      (await findInvoice(db, id, business.currency)) ? invoiceView({ tx: db, currency: business.currency }, id) : null,
    'invoice',
  ),
  change('/invoices/{id}', 'Changes a draft.', changeDraft, { ...ofInvoice, method: 'PATCH' }),
  change('/invoices/{id}', 'Deletes a draft.', dropDraft, { ...ofInvoice, method: 'DELETE' }),
  change('/invoices/{id}/issue', 'Issues a draft; it never changes afterwards.', issueInvoice, ofInvoice),
  change('/invoices/{id}/credit-notes', 'Credits an invoice: whole, by lines, or an amount.', creditInvoice, {
    ...ofInvoice,
    status: 201,
  }),
]
