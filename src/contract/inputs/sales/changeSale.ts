import { z } from 'zod'
import { edition, id, on, day } from '@/contract/fields'
import { changedLines } from '@/contract/lines'
import { saleFacts } from './saleFacts'

export const changeSaleInput = z.object({
  saleId: id,
  on,
  lines: changedLines.optional(),
  ...saleFacts,
  wantedBy: day.nullable().optional(),
  /** Tells the customer by mail when the day of an order moves; where there is an address, unless it says no. */
  tell: z.boolean().optional(),
  /** The edition of the sale that was looked at: what was changed or accepted since must be looked at first. */
  edition,
})
