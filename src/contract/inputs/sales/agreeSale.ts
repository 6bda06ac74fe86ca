import { z } from 'zod'
import { id, on, text, day } from '@/contract/fields'
import { lineQuantities } from '@/contract/lines'

export const agreeSaleInput = z.object({
  saleId: id,
  on,
  purchaseOrder: text(80).optional(),
  wantedBy: day.optional(),
  lines: lineQuantities.optional(),
  deliverTo: text(500).optional(),
  /** Who said yes, and how: on the phone, by mail, on their page. */
  by: text(200).optional(),
  how: text(80).optional(),
})
