import { z } from 'zod'
import { id, on, needed, amount } from '@/contract/fields'

export const voidReceiptInput = z.object({ receiptId: id, on, reason: needed(500, 'A reason') })

export const bounceReceiptInput = z.object({
  receiptId: id,
  on,
  reason: needed(500, 'A reason'),
  /** What the bank or the card company took for it. */
  bankFee: amount.optional(),
  /** What the customer is charged for it; the fee of Settings where it is left out, nothing where it is 0. */
  fee: amount.optional(),
})
