import { z } from 'zod'
import { id, isDecimal, needed, on, quantity, signedQuantity, unitPrice } from '@/contract/fields'
import { asManySerials, lot, serials } from '@/contract/pieces'

export const addPlaceInput = z.object({
  code: needed(20, 'A code'),
  name: needed(60, 'A name'),
  /** Goods come here when no place is named. */
  usual: z.boolean().optional(),
})

export const changePlaceInput = z.object({
  placeId: id,
  code: needed(20, 'A code').optional(),
  name: needed(60, 'A name').optional(),
  usual: z.literal(true, { error: 'Make another place the default instead.' }).optional(),
})

export const dropPlaceInput = z.object({ placeId: id })

export const moveStockInput = z.object({
  on,
  from: id,
  to: id,
  lines: z
    .array(
      z.object({ goodsId: id, quantity, lot: lot.optional(), serials: serials.optional() }).superRefine(asManySerials),
    )
    .min(1, 'Say what is moved.')
    .max(500),
})

export const adjustStockInput = z.object({
  on,
  reason: needed(200, 'A reason'),
  lines: z
    .array(
      z
        .object({
          goodsId: id,
          placeId: id.optional(),
          lot: lot.optional(),
          serials: serials.optional(),
          /** How many more or fewer: `3`, `-2`. */
          change: signedQuantity,
          /** What one of those that came cost; where nothing is said, the average, else what the last one cost. */
          unitCost: unitPrice.optional(),
        })
        .superRefine((l, ctx) =>
          asManySerials({ ...l, quantity: isDecimal(l.change) ? l.change.abs() : undefined }, ctx),
        ),
    )
    .min(1, 'Say what changed.')
    .max(500),
})
