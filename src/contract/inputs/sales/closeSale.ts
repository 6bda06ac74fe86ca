import { z } from 'zod'
import { id, on, needed, amount, method } from '@/contract/fields'

export const closeSaleInput = z.object({
  saleId: id,
  on,
  reason: needed(500, 'A reason'),
  /** What of the held money is kept as a fee. */
  fee: amount.optional(),
  /** Where the rest of it goes: given back this way, or onto the customer's account. Left out, held money must be gone first. */
  rest: z.union([z.literal('account'), method], { error: 'Say account, cash, card, cheque or transfer.' }).optional(),
})
