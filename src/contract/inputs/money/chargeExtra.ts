import { z } from 'zod'
import { id, on, positiveAmount, text } from '@/contract/fields'

export const chargeLateInput = z.object({
  dueId: id,
  on,
  amount: positiveAmount.optional(),
  reason: text(500).default(''),
})
