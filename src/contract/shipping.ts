import { z } from 'zod'
import { id, quantity, quantityOrZero, text } from './fields'
import { readSize } from '@/core/parcel'

/** A size in centimetres: `40 × 25 × 12`. */
export const size = text(60).refine((s) => readSize(s) !== null, 'A size is written like 40 × 25 × 12, in centimetres.')

/** Boxes with what is in each; weight and size are reckoned from the goods where they are left out. */
export const parcels = z
  .array(
    z.object({
      weight: quantityOrZero.optional(),
      size: size.optional(),
      /** Where it goes, if not where the sale is delivered. */
      address: text(500).optional(),
      lines: z
        .array(z.object({ lineId: id, quantity }), { error: 'Lines are a list.' })
        .min(1, 'Say what is in it.')
        .max(500),
    }),
    { error: 'Parcels are a list.' },
  )
  .min(1, 'Name at least one parcel.')
  .max(50, 'At most 50 parcels at a time.')
export type ParcelInput = z.output<typeof parcels>[number]

/** How goods are sent, where they are. */
export const shipping = {
  parcels: parcels.optional(),
  /** Left out of parcels: the carrier there is. */
  carrier: text(60).optional(),
  service: text(60).optional(),
}
