import { z } from 'zod'
import { id, on, positivePercent, positiveAmount } from '@/contract/fields'

export const requestDepositInput = z.object({
  saleId: id,
  on,
  percent: positivePercent.optional(),
  amount: positiveAmount.optional(),
  /** The next stage of the sale's arrangement, counted from 1. */
  stage: z.int().min(1).max(12).optional(),
})
