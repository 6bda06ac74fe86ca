import { z } from 'zod'
import { id, on, needed } from '@/contract/fields'
import { returnedLines } from '@/contract/pieces'

export const returnGoodsInput = z.object({
  handoverId: id,
  on,
  /** Left out: where each thing left from. */
  placeId: id.optional(),
  /** Left out: all of it that may come back. */
  lines: returnedLines.optional(),
  /** Not fit to be sold again: written off at once, with the same reason. */
  scrap: z.boolean().default(false),
  reason: needed(500, 'A reason'),
})
