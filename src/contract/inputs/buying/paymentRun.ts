import { z } from 'zod'
import { id, on } from '@/contract/fields'
import { check } from './bills'

export const paymentRunInput = z.object({
  on,
  /** As checks, one a supplier, from this number on; left out, as one file for the bank. */
  check: check.optional(),
  billIds: z.array(id, { error: 'Bills are a list of ids.' }).min(1, 'Name at least one bill.').max(500),
})
