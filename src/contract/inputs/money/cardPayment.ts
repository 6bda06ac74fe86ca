import { z } from 'zod'
import { text } from '@/contract/fields'

export const settleCardPaymentInput = z.object({
  reference: text(80),
  approved: z.boolean(),
  why: text(200).default(''),
})
