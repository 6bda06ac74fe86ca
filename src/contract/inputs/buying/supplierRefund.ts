import { z } from 'zod'
import { payFrom } from '@/contract/payFrom'
import { id, needed, on, positiveAmount } from '@/contract/fields'

export const supplierRefundInput = z.object({
  supplierId: id,
  on,
  /** Where it comes to. */
  into: payFrom,
  amount: positiveAmount,
})
export const voidSupplierRefundInput = z.object({ refundId: id, on, reason: needed(200, 'A reason') })
