import { z } from 'zod'
import { id, on, needed } from '@/contract/fields'
import { lineQuantities } from '@/contract/lines'

export const returnGoodsInput = z.object({
  handoverId: id,
  on,
  /** Left out: where each thing left from. */
  placeId: id.optional(),
  /** Left out: all of it that may come back. */
  lines: lineQuantities.optional(),
  reason: needed(500, 'A reason'),
})
