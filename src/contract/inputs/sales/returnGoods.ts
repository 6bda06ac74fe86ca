import { z } from 'zod'
import { id, on, needed, quantity } from '@/contract/fields'
import { asManySerials, serials } from '@/contract/pieces'

export const returnGoodsInput = z.object({
  handoverId: id,
  on,
  /** Left out: where each thing left from. */
  placeId: id.optional(),
  /** Left out: all of it that may come back. */
  lines: z
    .array(z.object({ lineId: id, quantity, serials: serials.optional() }).superRefine(asManySerials), {
      error: 'Lines are a list.',
    })
    .min(1, 'Name at least one line.')
    .max(1000)
    .optional(),
  /** Not fit to be sold again: written off at once, with the same reason. */
  scrap: z.boolean().default(false),
  reason: needed(500, 'A reason'),
})
