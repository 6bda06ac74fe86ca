import { z } from 'zod'
import { id, on, positiveAmount, method, text } from '@/contract/fields'

export const refundHeldInput = z.object({
  customerId: id,
  saleId: id.optional(),
  on,
  amount: positiveAmount,
  method,
  reason: text(500).optional(),
})
