import { z } from 'zod'
import { id, positiveAmount, on, method, amount, text } from '@/contract/fields'

export const wish = z.union(
  [z.object({ dueId: id, amount: positiveAmount }), z.object({ saleId: id, amount: positiveAmount })],
  {
    error: 'Name a due or a sale, and an amount.',
  },
)

export const takeReceiptInput = z.object({
  customerId: id.optional(),
  on,
  method,
  amount: positiveAmount,
  /** Cash given, where it is more than the amount: the rest goes back as change. */
  tendered: amount.optional(),
  reference: text(120).optional(),
  /** Also for what others owe: the dues named may be anybody's. */
  forOthers: z.boolean().default(false),
  for: z
    .union([z.enum(['oldest', 'account']), z.array(wish).min(1, 'Name at least one due or sale.').max(200)], {
      error: 'Say oldest, account, or a list of dues and sales.',
    })
    .default('oldest'),
})
