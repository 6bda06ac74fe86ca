import { z } from 'zod'
import { id, needed, on, positiveAmount, quantity, text } from '@/contract/fields'
import { returnedLines } from '@/contract/pieces'

export const returnToSupplierInput = z.object({
  receivedId: id,
  on,
  /** Left out: all of it that is not back yet. */
  lines: returnedLines.optional(),
  reason: needed(200, 'A reason'),
})

export const undoReceiptInput = z.object({ receivedId: id, on, reason: needed(200, 'A reason') })

export const voidCreditInput = z.object({ creditId: id, on, reason: needed(200, 'A reason') })

const creditFields = {
  on,
  theirNumber: text(60).optional(),
  /** What they let off, tax included; or goods that went back. */
  amount: positiveAmount.optional(),
  lines: z
    .array(z.object({ receivedLineId: id, quantity }), { error: 'Lines are a list.' })
    .min(1, 'Name what went back.')
    .max(500)
    .optional(),
  reason: needed(200, 'A reason'),
}

const amountOrGoods = (c: { readonly amount?: unknown; readonly lines?: unknown }, ctx: z.RefinementCtx): void => {
  if ((c.amount === undefined) === (c.lines === undefined))
    ctx.addIssue({ code: 'custom', path: ['amount'], message: 'Say an amount, or the goods that went back.' })
}

/** A credit as its form has it: the bill is known. */
export const creditInput = z.object(creditFields).superRefine(amountOrGoods)
export const creditBillInput = z.object({ billId: id, ...creditFields }).superRefine(amountOrGoods)
