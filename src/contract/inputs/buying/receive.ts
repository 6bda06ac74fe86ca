import { z } from 'zod'
import { id, on, quantity, unitPrice } from '@/contract/fields'
import { asManySerials, lot, serials } from '@/contract/pieces'

const receivedLine = z
  .object({
    /** The line of the order, or goods. */
    lineId: id.optional(),
    goodsId: id.optional(),
    quantity,
    unitCost: unitPrice.optional(),
    lot: lot.optional(),
    serials: serials.optional(),
    /** More came than was ordered, and stays. */
    more: z.boolean().optional(),
  })
  .superRefine(asManySerials)
  .superRefine((l, ctx) => {
    if (l.lineId === undefined && l.goodsId === undefined)
      ctx.addIssue({ code: 'custom', message: 'Name a line of the order, or goods.', path: ['goodsId'] })
  })

export const receiveGoodsInput = z
  .object({
    purchaseOrderId: id.optional(),
    supplierId: id.optional(),
    on,
    /** Left out: where each thing usually lies. */
    placeId: id.optional(),
    lines: z.array(receivedLine, { error: 'Lines are a list.' }).min(1, 'Say what came.').max(500),
  })
  .refine((r) => r.purchaseOrderId !== undefined || r.supplierId !== undefined, {
    message: 'Name the order, or the supplier it came from.',
    path: ['supplierId'],
  })
