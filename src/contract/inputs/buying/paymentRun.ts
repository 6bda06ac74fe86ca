import { z } from 'zod'
import { id, on } from '@/contract/fields'

export const paymentRunInput = z.object({
  on,
  billIds: z.array(id, { error: 'Bills are a list of ids.' }).min(1, 'Name at least one bill.').max(500),
})
