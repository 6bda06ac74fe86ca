import { z } from 'zod'
import { id, on, quantity } from '@/contract/fields'
import { arrangement } from '@/contract/arrangement'

export const handOverInput = z.object({
  saleId: id,
  on,
  /** Left out: everything that can be handed over now. */
  lines: z
    .array(z.object({ lineId: id, quantity, placeId: id.optional() }))
    .min(1)
    .max(1000)
    .optional(),
  by: z.enum(['counter', 'parcel', 'delivery']).default('counter'),
  /** A layaway that is not paid up goes all the same: the rest is paid this way from now on, and billed at once. */
  turnInto: arrangement.optional(),
})
