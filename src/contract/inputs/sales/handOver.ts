import { z } from 'zod'
import { id, on, quantity } from '@/contract/fields'
import { arrangement } from '@/contract/arrangement'
import { addsUp, asManySerials, lotCode, serials, takenFrom } from '@/contract/pieces'

/** So many of a line, and where they are taken from: a place, a lot or serials, or several of them. */
const handedLine = z
  .object({
    lineId: id,
    quantity,
    placeId: id.optional(),
    lot: lotCode.nullish(),
    serials: serials.optional(),
    from: takenFrom.optional(),
  })
  .superRefine(asManySerials)
  .superRefine(addsUp)
  .transform(({ placeId, lot, serials: named, from, ...l }) => ({
    ...l,
    from: from ?? [{ placeId, lot: lot ?? undefined, serials: named, quantity: l.quantity }],
  }))

export const handOverInput = z.object({
  saleId: id,
  on,
  /** Left out: everything that can be handed over now. */
  lines: z.array(handedLine).min(1).max(1000).optional(),
  by: z.enum(['counter', 'parcel', 'delivery']).default('counter'),
  /** A layaway that is not paid up goes all the same: the rest is paid this way from now on, and billed at once. */
  turnInto: arrangement.optional(),
})
