import { z } from 'zod'
import { id, on, positivePercent } from '@/contract/fields'
import { lineQuantities, lines } from '@/contract/lines'

export const billSaleInput = z.object({
  saleId: id,
  on,
  what: z.union(
    [z.enum(['handed-over', 'remaining']), z.object({ percent: positivePercent }), z.object({ lines: lineQuantities })],
    {
      error: 'Say handed-over, remaining, {percent} or {lines}.',
    },
  ),
  /** Charges that came up later: agreed and billed with this bill. */
  charges: lines.optional(),
  issue: z.boolean().default(false),
})
