import { z } from 'zod'
import { id, on, positiveAmount, needed } from '@/contract/fields'

export const writeOffDueInput = z.object({
  dueId: id,
  on,
  /** Left out: all that is open. */
  amount: positiveAmount.optional(),
  reason: needed(500, 'A reason'),
})

export const writeOffRestsInput = z.object({
  customerId: id,
  on,
  /** Every due with no more than this open. */
  upTo: positiveAmount,
  reason: needed(500, 'A reason'),
})
