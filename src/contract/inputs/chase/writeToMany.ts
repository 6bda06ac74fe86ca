import { z } from 'zod'
import { id } from '@/contract/fields'

/** Letters to many customers at once. */
export const writeToManyInput = z.object({
  customers: z.array(id).min(1, 'Choose at least one customer.').max(500),
  what: z.enum(['statement', 'open-items', 'reminder']),
})
