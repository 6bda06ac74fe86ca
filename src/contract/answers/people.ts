import { z } from 'zod'
import { dayText, decimalText, list } from './texts'
import { customer, standing } from './things'
import { datedLine } from './saleThings'

/** What the calls of “People” answer. */
export const peopleAnswers = {
  'POST /customers/import': z.object({
    rows: z.int(),
    added: z.int(),
    problems: z.array(z.object({ row: z.int(), code: z.string(), message: z.string() })),
    preview: z.array(z.object({ row: z.int(), name: z.string(), email: z.string(), phone: z.string() })),
    written: z.boolean(),
  }),
  'POST /calendar': z.object({ secret: z.string(), path: z.string() }),
  'DELETE /calendar': z.object({}),
  'POST /customers': customer,
  'GET /customers': list(standing),
  'GET /customers/look-alikes': list(standing.extend({ why: z.string() })),
  'POST /customers/{id}/join': customer,
  'GET /customers/{id}/usual': list(
    z.object({
      goodsId: z.int(),
      code: z.string(),
      name: z.string(),
      lastOn: dayText,
      lastQuantity: decimalText,
      lastPrice: decimalText,
      times: z.int(),
      quantity: decimalText,
      perMonth: decimalText,
      onHand: decimalText,
      available: decimalText,
      price: decimalText,
      priceFrom: z.string(),
      taxCode: z.string(),
      unitCost: decimalText,
    }),
  ),
  'GET /customers/{id}': customer,
  'PATCH /customers/{id}': customer,
  'DELETE /customers/{id}': z.object({}),
  'GET /customers/{id}/open': z.object({
    owed: decimalText,
    late: decimalText,
    held: decimalText,
    usually: z.string(),
    items: z.array(
      z.object({
        key: z.string(),
        dueId: z.int().optional(),
        saleId: z.int(),
        what: z.string(),
        note: z.string(),
        late: z.boolean(),
        open: decimalText,
        discount: decimalText,
        asked: decimalText,
      }),
    ),
  }),
  'GET /customers/{id}/statement': z.object({
    customerId: z.int(),
    name: z.string(),
    from: dayText,
    to: dayText,
    opening: decimalText,
    lines: z.array(datedLine),
    closing: decimalText,
  }),
}
