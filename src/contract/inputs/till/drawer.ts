import { z } from 'zod'
import { on, positiveAmount, needed, amount } from '@/contract/fields'

export const moveDrawerInput = z.object({
  on,
  direction: z.enum(['in', 'out'], { error: 'Say in or out.' }),
  amount: positiveAmount,
  reason: needed(200, 'A reason'),
  /** The code of the other account; the owner's own for what is put in, small supplies for what is taken out. */
  account: z.string().max(20).optional(),
})

export const countDrawerInput = z.object({
  on,
  /** How many of each coin and note, by its worth: {"20.00": 3, "0.25": 11}. */
  pieces: z.record(z.string().max(20), z.int().min(0).max(100_000)).optional(),
  /** The sum, where the pieces were not written down. */
  counted: amount.optional(),
})
