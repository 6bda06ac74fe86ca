import { z } from 'zod'
import { id, on } from '@/contract/fields'
import { lineQuantities } from '@/contract/lines'

export const orderForSaleInput = z.object({
  saleId: id,
  on,
  /** Left out: what its lines are short of and what is not on order for them yet. */
  lines: lineQuantities.optional(),
  direct: z.boolean().optional(),
})
