import { z } from 'zod'
import { dayText, list } from './texts'
import { basket } from './things'

/** What the calls of “Shopfront” answer. */
export const shopfrontAnswers = {
  'GET /baskets': list(
    z.object({
      id: z.int(),
      name: z.string(),
      email: z.string(),
      phone: z.string(),
      deliverTo: z.string(),
      note: z.string(),
      turn: z.int(),
      startedOn: dayText,
      touchedAt: z.string(),
      saleId: z.int().nullable(),
      things: z.int(),
    }),
  ),
  'GET /baskets/{id}': basket,
  'POST /baskets/{id}/lines': basket,
  'PATCH /baskets/{id}': basket,
  'POST /baskets/{id}/order': z.object({
    saleId: z.int(),
    number: z.int(),
    customerId: z.int(),
    reference: z.string().nullable(),
  }),
}
