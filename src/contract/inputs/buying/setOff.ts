import { z } from 'zod'
import { id, needed, on, positiveAmount } from '@/contract/fields'

export const setOffInput = z.object({
  supplierId: id,
  on,
  /** As much as both sides have where it is left out. */
  amount: positiveAmount.optional(),
})
export const voidSetOffInput = z.object({ setOffId: id, on, reason: needed(200, 'A reason') })
