import { z } from 'zod'
import { id, quantity } from '@/contract/fields'

export const replacePartInput = z.object({
  saleId: id,
  lineId: id,
  /** The part that does not go along, and the one that goes instead; as many of it unless a quantity a kit is said. */
  part: id,
  by: id,
  quantity: quantity.optional(),
})
