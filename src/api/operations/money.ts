import { z } from 'zod'
import { AGE_GROUPS } from '@/data/queries/receivables'
import { day, id as idField, method } from '@/contract/fields'
import { previewPlan } from '@/services/money/previewPlan'
import { refundHeld } from '@/services/money/refundHeld'
import { sellAtCounter } from '@/services/money/sellAtCounter'
import { takeReceipt } from '@/services/money/takeReceipt'
import { useHeld } from '@/services/money/useHeld'
import { voidReceipt } from '@/services/money/voidReceipt'
import { toDecimalString } from '@/core/money'
import { change, listOf, noQuery, page, read, readCursor } from '../operation'
import { findReceipt, listReceipts } from '@/data/queries/receipt'
import { owedView } from '@/model/receivables/owed'
import { receiptView } from '@/model/receipt/receiptView'

export const money = [
  change('/receipts', 'Takes a payment and applies it to what is unpaid.', takeReceipt, { status: 201 }),
  read(
    '/receipts',
    'Receipts, newest first.',
    page.extend({
      customerId: idField.optional(),
      on: day.optional(),
      from: day.optional(),
      to: day.optional(),
      method: method.optional(),
      search: z.string().max(200).optional(),
    }),
    async ({ db, business, query }) =>
      listOf(
        await listReceipts(
          db,
          query,
          { limit: query.limit, after: readCursor(z.number().int(), query.after) },
          business.currency,
        ),
        query.limit,
        (r) => ({
          id: r.id,
          number: r.number,
          customerId: r.customerId,
          customer: r.customerName,
          on: r.on,
          method: r.method,
          amount: toDecimalString(r.amount),
          reference: r.reference,
          voidedOn: r.voidedOn,
        }),
        (r) => r.id,
      ),
  ),
  read(
    '/receipts/{id}',
    'A receipt and what it paid.',
    noQuery,
    async ({ db, id, business }) =>
      (await findReceipt(db, id, business.currency)) ? receiptView({ tx: db, currency: business.currency }, id) : null,
    'receipt',
  ),
  change('/receipts/{id}/void', 'Voids a receipt; the invoices it paid are unpaid again.', voidReceipt, {
    path: { receiptId: 'id' },
  }),
  change('/refunds', 'Refunds held money.', refundHeld, { status: 201 }),
  change('/held-uses', 'Puts held money on what a customer owes.', useHeld, { status: 201 }),
  change('/counter-sales', 'Sold, handed over and paid in one go.', sellAtCounter, { status: 201 }),
  change('/plans/preview', 'The schedule of an arrangement; nothing is saved.', previewPlan),
  read(
    '/receivables',
    'Who owes what, aged as of a day.',
    z.object({
      asOf: day.optional(),
      by: z.enum(['due', 'invoice']).default('due'),
      group: z.enum(AGE_GROUPS).default('customer'),
    }),
    ({ db, business, today, query }) => owedView(db, { ...query, asOf: query.asOf ?? today }, business),
  ),
]
