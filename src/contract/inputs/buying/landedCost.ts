import { z } from 'zod'
import { SPREAD_BY } from '@/core/kinds'
import { id, needed, on, positiveAmount } from '@/contract/fields'

export const landedCostInput = z
  .object({
    on,
    /** A line of a bill, moved off its account; or an amount off an account. */
    billLineId: id.optional(),
    amount: positiveAmount.optional(),
    fromAccountId: id.optional(),
    receivedIds: z.array(id, { error: 'Receipts are a list of ids.' }).min(1, 'Name what came.').max(100),
    by: z.enum(SPREAD_BY, { error: 'Say value, quantity, weight or volume.' }),
  })
  .superRefine((c, ctx) => {
    const say = (path: string, message: string) => ctx.addIssue({ code: 'custom', path: [path], message })
    const [noAmount, noAccount] = [c.amount === undefined, c.fromAccountId === undefined]
    if (c.billLineId === undefined && noAmount !== noAccount)
      return noAmount ? say('amount', 'Enter the amount.') : say('fromAccountId', 'Choose the account the cost is on.')
    if ((c.billLineId !== undefined) === !(noAmount || noAccount))
      say('billLineId', 'Say a line of a bill, or an amount and the account it is on.')
  })

export const voidLandedCostInput = z.object({ costId: id, on, reason: needed(200, 'A reason') })
