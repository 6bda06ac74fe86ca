import { z } from 'zod'
import { id, day, on } from '@/contract/fields'
import { lines } from '@/contract/lines'
import { arrangement } from '@/contract/arrangement'
import { saleFacts } from './saleFacts'

export const startSaleInput = z.object({
  customerId: id,
  lines: lines.default([]),
  arrangement: arrangement.optional(),
  ...saleFacts,
  wantedBy: day.optional(),
  /** Agreed at once: the sale starts as an order. */
  agreed: z.boolean().optional(),
  on,
})
