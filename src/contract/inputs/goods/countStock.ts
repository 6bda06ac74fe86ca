import { z } from 'zod'
import { on, id, isDecimal, quantityOrZero, unitPrice } from '@/contract/fields'
import { asManySerials, lot, serials } from '@/contract/pieces'

export const countStockInput = z.object({
  on,
  placeId: id.optional(),
  lines: z
    .array(
      z
        .object({
          goodsId: id,
          /** Left out where serials say it: as many as are named. Zero: none of those named is there. */
          counted: quantityOrZero.optional(),
          unitCost: unitPrice.optional(),
          lot: lot.optional(),
          serials: serials.optional(),
        })
        .superRefine((l, ctx) => {
          if (l.counted === undefined && !l.serials?.length)
            ctx.addIssue({ code: 'custom', path: ['counted'], message: 'Say how many were counted.' })
          if (isDecimal(l.counted) && !l.counted.eq(0)) asManySerials({ ...l, quantity: l.counted }, ctx)
        }),
    )
    .min(1, 'Count at least one thing.')
    .max(2000),
})
