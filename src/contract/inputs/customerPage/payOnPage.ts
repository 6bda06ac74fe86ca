import { z } from 'zod'
import { text, positiveAmount } from '@/contract/fields'

export const beginPagePaymentInput = z.object({
  token: text(100),
  /** What is open, or the deposit asked for the sale the page is about. */
  what: z.enum(['open', 'deposit'], { error: 'Say open or deposit.' }),
  amount: positiveAmount,
})
