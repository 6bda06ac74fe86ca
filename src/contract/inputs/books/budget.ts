import { z } from 'zod'
import { id, signedAmount } from '@/contract/fields'

export const setBudgetInput = z.object({
  year: z.int('A year is a whole number.').min(1990, 'A year from 1990 on.').max(2199, 'A year up to 2199.'),
  /** For the whole year, below zero where it takes off, as returns do; accounts that are left out, or come to nothing, have none. */
  lines: z.array(z.object({ accountId: id, amount: signedAmount }), { error: 'Lines are a list.' }).max(500),
})
