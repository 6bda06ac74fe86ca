import { z } from 'zod'
import { TAX_BASES } from '@/core/tax'
import { day, id, needed, on, positiveAmount } from '@/contract/fields'
import { payFrom } from '@/contract/payFrom'

export const taxReturnFields = {
  from: day,
  through: day,
  /** With the invoice, or as it is paid. */
  basis: z.enum(TAX_BASES, { error: 'Say invoiced or paid.' }).default('invoiced'),
}

export const draftTaxReturnInput = z.object(taxReturnFields).refine((r) => r.from <= r.through, {
  path: ['through'],
  message: 'The last day is before the first. Exchange them.',
})

export const taxReturnInput = z.object({ returnId: id })

export const payTaxReturnInput = z.object({
  returnId: id,
  on,
  from: payFrom.default('bank'),
  /** Left out: all that is due. */
  amount: positiveAmount.optional(),
})

export const unpayTaxReturnInput = z.object({ returnId: id, on, reason: needed(300, 'A reason') })
