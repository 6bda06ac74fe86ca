import { z } from 'zod'
import { id, on, method, amount, text } from '@/contract/fields'
import { counterLine } from '@/contract/lines'

export const NOTHING_TO_SELL = 'Add something to sell.'

export const sellAtCounterInput = z.object({
  customerId: id.optional(),
  on,
  lines: z.array(counterLine, { error: 'Lines are a list.' }).min(1, NOTHING_TO_SELL).max(500),
  method,
  tendered: amount.optional(),
  note: text(500).optional(),
})
