import { z } from 'zod'
import { day, edition, id, needed, on, quantity, text, unitPrice } from '@/contract/fields'

const orderLine = z
  .object({
    goodsId: id.optional(),
    description: text(500).optional(),
    quantity,
    /** What one costs; what they last asked for where it is left out. */
    unitCost: unitPrice.optional(),
    taxCode: text(40).optional(),
    /** The line of a sale it is bought for. */
    saleLineId: id.optional(),
  })
  .superRefine((l, ctx) => {
    if (l.goodsId !== undefined || l.description) return
    ctx.addIssue({ code: 'custom', message: 'A line needs goods or a description.', path: ['description'] })
  })
  .superRefine((l, ctx) => {
    if (l.goodsId !== undefined || l.unitCost !== undefined) return
    ctx.addIssue({ code: 'custom', message: 'A line without goods needs a cost.', path: ['unitCost'] })
  })
export type PurchaseLineInput = z.output<typeof orderLine>

const facts = {
  wantedBy: day.nullable().optional(),
  /** The day they said it comes. */
  confirmedFor: day.nullable().optional(),
  direct: z.boolean().optional(),
  note: text(2000).optional(),
}

export const orderGoodsInput = z.object({
  supplierId: id,
  on,
  ...facts,
  lines: z.array(orderLine, { error: 'Lines are a list.' }).min(1, 'Say what is ordered.').max(500),
})

export const changeOrderInput = z.object({
  orderId: id,
  ...facts,
  edition,
  /** With `lineId` the one there is, without it a new one; what is left out is not ordered any more. */
  lines: z
    .array(orderLine.and(z.object({ lineId: id.optional() })), { error: 'Lines are a list.' })
    .min(1, 'Say what is ordered.')
    .max(500)
    .optional(),
})

export const sendOrderInput = z.object({
  orderId: id,
  on,
  /** By e-mail with its PDF, or handed over otherwise. Left out: by e-mail where an address is known. */
  mail: z.boolean().optional(),
  to: z.email('An e-mail address looks like name@place.example.').max(200).optional(),
  subject: text(200).optional(),
  body: text(10_000).optional(),
})
export const closeOrderInput = z.object({ orderId: id, on, reason: needed(200, 'A reason') })
