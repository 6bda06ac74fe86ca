import { z } from 'zod'
import { amount, day, id, needed, on } from '@/contract/fields'
import { rhythm } from '@/contract/rhythm'

export const writeEntryInput = z.object({
  on,
  text: needed(300, 'Description'),
  lines: z
    .array(z.object({ account: needed(20, 'An account'), debit: amount.optional(), credit: amount.optional() }))
    .min(2, 'An entry has at least two lines.')
    .max(200),
  /** From this day on it stands the other way round; by itself where that day is still to come. */
  reverseOn: day.nullish(),
})

export const reverseEntryInput = z.object({ entryId: id, on, reason: needed(300, 'A reason') })
export const startEntryRepeatInput = z.object({ entryId: id, ...rhythm })
export const entryRepeatInput = z.object({ repeatId: id })
