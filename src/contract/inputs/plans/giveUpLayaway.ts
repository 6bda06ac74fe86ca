import { z } from 'zod'
import { id, on, method, text } from '@/contract/fields'

export const giveUpLayawayInput = z.object({
  saleId: id,
  on,
  /** How the rest is given back; left out, the way the last money came. */
  method: method.optional(),
  reason: text(500).default('Layaway given up'),
})
