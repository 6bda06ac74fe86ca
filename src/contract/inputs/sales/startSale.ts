import { CHANNELS } from '@/core/kinds'
import { z } from 'zod'
import { id, text, day, on } from '@/contract/fields'
import { lines, wholeDiscount } from '@/contract/lines'
import { arrangement } from '@/contract/arrangement'

export const startSaleInput = z.object({
  customerId: id,
  title: text(200).optional(),
  lines: lines.default([]),
  arrangement: arrangement.optional(),
  channel: z.enum(CHANNELS).optional(),
  kind: text(40).optional(),
  note: text(4000).optional(),
  noteAbove: text(4000).optional(),
  ...wholeDiscount,
  rolledUp: z.boolean().optional(),
  billTo: text(500).optional(),
  deliverTo: text(500).optional(),
  deliverNote: text(500).optional(),
  wantedBy: day.optional(),
  /** Agreed at once: the sale starts as an order. */
  agreed: z.boolean().optional(),
  purchaseOrder: text(80).optional(),
  on,
})
