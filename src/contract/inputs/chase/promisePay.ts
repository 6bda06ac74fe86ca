import { z } from 'zod'
import { id, day, positiveAmount, text } from '@/contract/fields'

export const promisePayInput = z.object({
  saleId: id,
  by: day,
  /** Left out: all that is open on the sale. */
  amount: positiveAmount.optional(),
  note: text(500).default(''),
})

export const dropPromiseInput = z.object({ saleId: id })
