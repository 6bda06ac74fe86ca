import { z } from 'zod'
import { id, positiveAmount, on, text } from '@/contract/fields'

export const moveHeldInput = z.object({
  customerId: id,
  /** Left out: from what is on account. */
  fromSaleId: id.optional(),
  /** Left out: to what is on account. */
  toSaleId: id.optional(),
  /** Left out: all of it. */
  amount: positiveAmount.optional(),
  on,
  reason: text(500).optional(),
})
