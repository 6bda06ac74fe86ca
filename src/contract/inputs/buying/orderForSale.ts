import { z } from 'zod'
import { id, on } from '@/contract/fields'
import { lineQuantities } from '@/contract/lines'

/** All that is proposed, as it is proposed now. */
export const orderProposedInput = z.object({ on })

export const orderForSaleInput = z.object({
  saleId: id,
  on,
  /** Left out: what its lines are short of and what is not on order for them yet. */
  lines: lineQuantities.optional(),
  direct: z.boolean().optional(),
})
