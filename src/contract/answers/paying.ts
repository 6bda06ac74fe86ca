import { SPREAD_BY } from '@/core/kinds'
import { z } from 'zod'
import { dayText, decimalText } from './texts'

export const payment = z.object({
  id: z.int(),
  number: z.string(),
  supplierId: z.int(),
  supplier: z.string(),
  on: dayText,
  accountId: z.int(),
  account: z.string(),
  amount: decimalText,
  checkNumber: z.int().nullable(),
  voidedOn: dayText.nullable(),
})
export const onePayment = payment.extend({
  filled: z.array(z.object({ billId: z.int(), amount: decimalText, discount: decimalText })),
  discount: decimalText,
  ahead: decimalText,
})

/** Money paid in advance that a supplier gave back. */
export const supplierRefund = z.object({
  id: z.int(),
  number: z.string(),
  supplierId: z.int(),
  supplier: z.string(),
  on: dayText,
  accountId: z.int(),
  account: z.string(),
  amount: decimalText,
  entryId: z.int(),
  voidedOn: dayText.nullable(),
})

/** A cost spread over goods that came, and where each share of it went. */
export const landedCost = z.object({
  id: z.int(),
  number: z.string(),
  on: dayText,
  amount: decimalText,
  by: z.enum(SPREAD_BY),
  billId: z.int().nullable(),
  voidedOn: dayText.nullable(),
  shares: z.array(
    z.object({
      receivedLineId: z.int(),
      amount: decimalText,
      toStock: decimalText,
      toCostOfSales: decimalText,
    }),
  ),
})

/** What a customer owed paid what we owed the same people: a receipt and a payment. */
export const setOff = z.object({
  id: z.int(),
  number: z.string(),
  on: dayText,
  amount: decimalText,
  supplierId: z.int(),
  supplier: z.string(),
  customerId: z.int(),
  customer: z.string(),
  receiptId: z.int(),
  receipt: z.string(),
  paymentId: z.int(),
  payment: z.string(),
  voidedOn: dayText.nullable(),
})

export const ages = {
  notDue: decimalText,
  d1to30: decimalText,
  d31to60: decimalText,
  d61to90: decimalText,
  over90: decimalText,
  total: decimalText,
}
