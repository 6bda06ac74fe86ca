import { z } from 'zod'
import { id, needed, on } from '@/contract/fields'
import { lineQuantities } from '@/contract/lines'

export const strikeOffInput = z.object({
  saleId: id,
  on,
  /** Left out: all that is still to be handed over. */
  lines: lineQuantities.optional(),
  reason: needed(200, 'A reason'),
})
