import { z } from 'zod'
import { payFrom } from '@/contract/payFrom'
import { amount, day, id, needed, on, positiveAmount, quantity, text, unitPrice } from '@/contract/fields'

const billLine = z
  .object({
    /** Goods that came, goods on order, or an account. */
    receivedLineId: id.optional(),
    purchaseOrderLineId: id.optional(),
    accountId: id.optional(),
    description: text(500).optional(),
    quantity: quantity.optional(),
    unitCost: unitPrice.optional(),
    /** Net, instead of a cost for each. */
    amount: amount.optional(),
    taxCode: text(40).optional(),
    /** The tax that stands on the bill, where it is another than its code would make. */
    tax: amount.optional(),
  })
  .superRefine((l, ctx) => {
    const named = [l.receivedLineId, l.purchaseOrderLineId, l.accountId].filter((x) => x !== undefined)
    if (named.length !== 1)
      ctx.addIssue({
        code: 'custom',
        message: 'Say what it is for: goods that came, a line of an order, or an account.',
        path: ['accountId'],
      })
    if (l.accountId !== undefined && l.amount === undefined && l.unitCost === undefined)
      ctx.addIssue({ code: 'custom', message: 'An amount is needed.', path: ['amount'] })
  })
export type BillLineInput = z.output<typeof billLine>

export const enterBillInput = z.object({
  supplierId: id,
  on,
  theirNumber: needed(60, 'The number on their bill'),
  due: day.optional(),
  /** Paid whole on its own day, from there. */
  paidFrom: payFrom.optional(),
  lines: z.array(billLine, { error: 'Lines are a list.' }).min(1, 'Say what it is for.').max(500),
})
export const voidBillInput = z.object({ billId: id, on, reason: needed(200, 'A reason') })

/** A check: the next number of that account, or the one that stands on it. */
export const check = z.union(
  [z.literal('next'), z.int().min(1).max(99_999_999)],
  'The number of a check is a whole number, or say next.',
)
export type CheckInput = z.output<typeof check>

export const paySupplierInput = z.object({
  supplierId: id,
  on,
  from: payFrom,
  /** Written as a check. */
  check: check.optional(),
  amount: positiveAmount,
  /** The oldest bills first, or so much of each; what is left is paid in advance. */
  for: z
    .union([
      z.literal('oldest'),
      z
        .array(z.object({ billId: id, amount: positiveAmount }))
        .min(1, 'Name at least one bill.')
        .max(500),
    ])
    .optional(),
})
export const voidSupplierPaymentInput = z.object({ paymentId: id, on, reason: needed(200, 'A reason') })
