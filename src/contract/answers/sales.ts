import { STANDS } from '@/core/sale'
import { z } from 'zod'
import { dayText, decimalText, list } from './texts'
import { invoice } from './things'
import { handover, pickList, repeat, sale, version, versionLine } from './saleThings'

/** What came in, what went for it, and what is left. */
const earned = { income: decimalText, cost: decimalText, profit: decimalText }

/** What the calls of “Sales” answer. */
export const salesAnswers = {
  'POST /sales': sale,
  'GET /sales': list(
    z.object({
      id: z.int(),
      number: z.int(),
      customerId: z.int(),
      customer: z.string(),
      title: z.string(),
      stands: z.enum(STANDS),
      startedOn: dayText,
      kind: z.string(),
      channel: z.string(),
      total: decimalText,
      money: z.object({
        earned: decimalText,
        held: decimalText,
        notDue: decimalText,
        late: decimalText,
        toCome: decimalText,
      }),
    }),
  ),
  'GET /sales/{id}': sale,
  'POST /sales/{id}/copy': sale,
  'GET /sales/{id}/versions': list(version),
  'GET /sales/{id}/comparison': z.object({
    before: version,
    now: version,
    lines: z.array(
      z.object({
        how: z.enum(['same', 'changed', 'added', 'dropped']),
        before: versionLine.nullable(),
        now: versionLine.nullable(),
        fields: z.array(z.string()),
      }),
    ),
  }),
  'POST /sales/{id}/next/put-off': sale,
  'POST /sales/{id}/next/drop': sale,
  'POST /sales/{id}/next/bring-back': sale,
  'POST /sales/{id}/repeats': repeat,
  'GET /repeats': list(repeat),
  'GET /repeats/coming': list(
    z.object({ on: dayText, repeatId: z.int(), customer: z.string(), title: z.string(), total: decimalText }),
  ),
  'POST /repeats/{id}/stop': repeat,
  'POST /repeats/run': z.object({ items: z.array(z.unknown()), next: z.null() }),
  'POST /sales/{id}/links': z.object({ saleId: z.int(), address: z.string() }),
  'DELETE /links/{id}': z.object({ id: z.int(), withdrawnOn: dayText }),
  'GET /customers/{id}/links': list(
    z.object({
      id: z.int(),
      saleId: z.int().nullable(),
      saleNumber: z.int().nullable(),
      opensAll: z.boolean(),
      madeOn: dayText,
      expiresOn: dayText,
      seenOn: dayText.nullable(),
    }),
  ),
  'DELETE /sales/{id}/links': z.object({ saleId: z.int(), withdrawn: z.int() }),
  'GET /reports/offers': list(
    z.object({
      group: z.string(),
      sent: z.int(),
      agreed: z.int(),
      lost: z.int(),
      open: z.int(),
      sentAmount: decimalText,
      agreedAmount: decimalText,
      rate: decimalText.nullable(),
      days: decimalText.nullable(),
    }),
  ),
  'GET /reports/profit': z.object({
    rows: z.array(z.object({ key: z.string(), name: z.string(), ...earned })),
    total: z.object(earned),
  }),
  'GET /reports/sale-costs': list(
    z.object({
      saleId: z.int(),
      number: z.int(),
      customer: z.string(),
      title: z.string(),
      offered: decimalText.nullable(),
      agreed: decimalText,
      billed: decimalText,
      billedNet: decimalText,
      expectedCost: decimalText,
      actualCost: decimalText,
      margin: decimalText.nullable(),
    }),
  ),
  'POST /sales/{id}/offer': sale,
  'POST /sales/{id}/agree': sale,
  'POST /sales/{id}/decline': sale,
  'POST /sales/{id}/cancel': sale,
  'POST /sales/{id}/change': sale,
  'POST /sales/{id}/arrangement': sale,
  'POST /sales/{id}/handovers': handover,
  'GET /handovers/{id}': handover,
  'POST /sales/{id}/set-aside': sale,
  'POST /sales/{id}/strike-off': sale,
  'POST /sales/{id}/replace-part': sale,
  'POST /sales/{id}/picks': pickList,
  'POST /picks': z.object({ picks: z.array(pickList) }),
  'GET /picks': list(pickList),
  'GET /picks/{id}': pickList,
  'POST /picks/{id}/correct': pickList,
  'POST /picks/{id}/pack': pickList,
  'POST /picks/{id}/send': handover,
  'DELETE /picks/{id}': z.object({ id: z.int(), number: z.string() }),
  'POST /carrier/quotes': z.array(
    z.object({ carrier: z.string(), service: z.string(), price: decimalText, days: z.int() }),
  ),
  'POST /handovers/{id}/returns': z.object({
    id: z.int(),
    number: z.string(),
    saleId: z.int(),
    returns: z.int(),
    on: dayText,
    lines: z.array(z.object({ lineId: z.int(), quantity: decimalText, cost: decimalText })),
  }),
  'POST /sales/{id}/deposit-requests': z.object({
    id: z.int(),
    number: z.string(),
    saleId: z.int(),
    on: dayText,
    amount: decimalText,
  }),
  'POST /sales/{id}/invoices': invoice,
  'GET /invoices/{id}': invoice,
  'PATCH /invoices/{id}': invoice,
  'DELETE /invoices/{id}': sale,
  'POST /invoices/{id}/issue': invoice,
  'POST /invoices/{id}/credit-notes': invoice.extend({ draftId: z.int().nullable() }),
}
