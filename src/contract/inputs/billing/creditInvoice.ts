import { z } from 'zod'
import { id, on, positiveAmount, needed, method } from '@/contract/fields'
import { returnedLines } from '@/contract/pieces'

export const creditInvoiceInput = z.object({
  invoiceId: id,
  on,
  lines: returnedLines.optional(),
  amount: positiveAmount.optional(),
  reason: needed(500, 'A reason'),
  returnGoods: z.boolean().default(false),
  /** Where they go back to; left out, where each left from. */
  placeId: id.optional(),
  /** Not fit to be sold again: what came back is written off at once, with the same reason. */
  scrap: z.boolean().default(false),
  /** The quantities may be billed again, at the prices agreed then. */
  billAgain: z.boolean().default(false),
  /** A draft that bills them again is made at once. */
  draftAgain: z.boolean().default(false),
  /** What was paid already goes back this way; left out, it is held on account. */
  refund: method.optional(),
})
