import { REPEAT_MAKES } from '@/core/kinds'
import { z } from 'zod'
import { id } from '@/contract/fields'
import { rhythm } from '@/contract/rhythm'

export const startRepeatInput = z.object({
  saleId: id,
  ...rhythm,
  makes: z.enum(REPEAT_MAKES, { error: 'Say offer, order or invoice.' }),
  /** Issued by itself; otherwise prepared for a look. */
  byItself: z.boolean().default(false),
})

export const stopRepeatInput = z.object({ repeatId: id })
