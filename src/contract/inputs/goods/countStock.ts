import { z } from 'zod'
import { on, id, quantityOrZero, unitPrice } from '@/contract/fields'

export const countStockInput = z.object({
  on,
  placeId: id.optional(),
  lines: z
    .array(z.object({ goodsId: id, counted: quantityOrZero, unitCost: unitPrice.optional() }))
    .min(1, 'Count at least one thing.')
    .max(2000),
})
