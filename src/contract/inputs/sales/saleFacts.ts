import { CHANNELS } from '@/core/kinds'
import { z } from 'zod'
import { text } from '@/contract/fields'
import { wholeDiscount } from '@/contract/lines'

/** What is said of a sale beside its lines, when it is written and when it is changed. */
export const saleFacts = {
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
}
