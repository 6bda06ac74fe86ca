import { z } from 'zod'
import { id, percent, quantity, text, unitPrice } from './fields'

/** A line as it is typed: goods with everything else filled in from them, or a description with a price. */
export const line = z
  .object({
    goodsId: id.optional(),
    description: text(500).optional(),
    note: text(1000).optional(),
    quantity,
    unitPrice: unitPrice.optional(),
    discountPercent: percent.optional(),
    taxCode: text(40).optional(),
  })
  .refine(
    (l) => l.goodsId !== undefined || (l.description !== undefined && l.description !== ''),
    'A line needs goods or a description.',
  )
  .refine((l) => l.goodsId !== undefined || l.unitPrice !== undefined, {
    message: 'A line without goods needs a price.',
    path: ['unitPrice'],
  })

export type LineInput = z.output<typeof line>

export const lines = z.array(line, { error: 'Lines are a list.' }).max(1000, 'At most 1000 lines.')

/** A line of a change: with `lineId` the one there is, without it a new one. */
export const changedLines = z
  .array(line.and(z.object({ lineId: id.optional() })), { error: 'Lines are a list.' })
  .max(1000, 'At most 1000 lines.')
export type ChangedLine = LineInput & { readonly lineId?: number }

/** Quantities of lines there are. */
export const lineQuantities = z
  .array(z.object({ lineId: id, quantity }), { error: 'Lines are a list.' })
  .min(1, 'Name at least one line.')
  .max(1000)
