import { CHANNELS } from '@/core/kinds'
import { z } from 'zod'
import { id, on, text, day } from '@/contract/fields'
import { changedLines, wholeDiscount } from '@/contract/lines'

export const changeSaleInput = z.object({
  saleId: id,
  on,
  lines: changedLines.optional(),
  title: text(200).optional(),
  note: text(4000).optional(),
  noteAbove: text(4000).optional(),
  ...wholeDiscount,
  rolledUp: z.boolean().optional(),
  billTo: text(500).optional(),
  deliverTo: text(500).optional(),
  deliverNote: text(500).optional(),
  channel: z.enum(CHANNELS).optional(),
  kind: text(40).optional(),
  purchaseOrder: text(80).optional(),
  wantedBy: day.nullable().optional(),
})
