import { REPEAT_EVERY, REPEAT_MAKES } from '@/core/kinds'
import { z } from 'zod'
import { id, day } from '@/contract/fields'

export const startRepeatInput = z.object({
  saleId: id,
  every: z.enum(REPEAT_EVERY, {
    error: 'Say week, two-weeks, month, quarter, half-year or year.',
  }),
  firstOn: day,
  until: day.nullable().optional(),
  times: z.int().min(1, 'At least once.').max(999, 'At most 999 times.').nullable().optional(),
  makes: z.enum(REPEAT_MAKES, { error: 'Say offer, order or invoice.' }),
  /** Issued by itself; otherwise prepared for a look. */
  byItself: z.boolean().default(false),
})

export const stopRepeatInput = z.object({ repeatId: id })
