import { z } from 'zod'
import { id, on, positiveAmount } from '@/contract/fields'

export const useHeldInput = z.object({
  customerId: id,
  /** Whose held money: a sale's, or (left out) what is on account. */
  saleId: id.optional(),
  on,
  for: z
    .union([
      z.literal('oldest'),
      z
        .array(z.object({ dueId: id, amount: positiveAmount }))
        .min(1)
        .max(200),
    ])
    .default('oldest'),
})
