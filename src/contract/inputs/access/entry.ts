import { z } from 'zod'
import { needed } from '@/contract/fields'

export const tokenInput = z.object({
  name: needed(80, 'A name'),
  /** Typed again: a token opens what a session does, and longer. */
  passphrase: z.string({ error: 'Type your passphrase again.' }).max(200),
  days: z.int('A whole number of days.').min(1, 'At least one day.').max(730, 'At most two years.').default(365),
  readOnly: z.boolean().default(false),
})

export const passphraseInput = z.object({ now: z.string().max(200), next: z.string().max(200) })
