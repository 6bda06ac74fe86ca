import { z } from 'zod'
import { on, needed, amount } from '@/contract/fields'

export const writeEntryInput = z.object({
  on,
  text: needed(300, 'Description'),
  lines: z
    .array(z.object({ account: needed(20, 'An account'), debit: amount.optional(), credit: amount.optional() }))
    .min(2, 'An entry has at least two lines.')
    .max(200),
})
