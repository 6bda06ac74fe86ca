import { z } from 'zod'
import { ASIDE_TURNS } from '@/core/kinds'
import { id } from '@/contract/fields'

export const setAsideInput = z.object({
  saleId: id,
  /** Before all others, by the day of the order, or only what all others leave. */
  turn: z.enum(ASIDE_TURNS, { error: 'Say first, in turn or last.' }),
  /** Left out: all of its lines. */
  lines: z
    .array(z.object({ lineId: id }), { error: 'Lines are a list.' })
    .min(1, 'Name at least one line.')
    .max(1000)
    .optional(),
})
