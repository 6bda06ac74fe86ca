import { METHODS, RECEIPT_METHODS } from '@/core/ledger'
import { z } from 'zod'
import { dayText, decimalText, list } from './texts'
import { planRows, receipt } from './things'

/** What the calls of “Money” answer. */
/** What is owed by how late it is, and what is held against it. */
const ages = {
  notDue: decimalText,
  d1to30: decimalText,
  d31to60: decimalText,
  d61to90: decimalText,
  over90: decimalText,
  total: decimalText,
  held: decimalText,
  onAccount: decimalText,
}

export const moneyAnswers = {
  'POST /receipts': receipt,
  'GET /receipts': list(
    z.object({
      id: z.int(),
      number: z.string(),
      customerId: z.int(),
      customer: z.string(),
      on: dayText,
      method: z.enum(RECEIPT_METHODS),
      amount: decimalText,
      reference: z.string(),
      voidedOn: dayText.nullable(),
    }),
  ),
  'GET /receipts/{id}': receipt,
  'POST /receipts/{id}/void': receipt,
  'POST /refunds': z.object({
    id: z.int(),
    number: z.string(),
    customerId: z.int(),
    saleId: z.int().nullable(),
    on: dayText,
    method: z.enum(METHODS),
    amount: decimalText,
  }),
  'POST /held-uses': z.object({
    entryId: z.int(),
    used: decimalText,
    left: decimalText,
    discount: decimalText,
    filled: z.array(z.object({ dueId: z.int(), amount: decimalText })),
  }),
  'POST /counter-sales': z.object({
    id: z.int(),
    number: z.string(),
    saleId: z.int(),
    receiptId: z.int(),
    receiptNumber: z.string(),
    customerId: z.int(),
    on: dayText,
    method: z.enum(METHODS),
    totals: z.object({ net: decimalText, tax: decimalText, gross: decimalText }),
    tendered: decimalText,
    rounding: decimalText,
    change: decimalText,
  }),
  'POST /plans/preview': z.object({
    rows: planRows,
    financed: decimalText,
    totalCharge: decimalText,
    totalPayments: decimalText,
    effectiveYearlyRate: decimalText.nullable(),
  }),
  'GET /receivables': z.object({
    asOf: dayText,
    by: z.string(),
    limits: z.array(z.int()),
    rows: z.array(
      z.object({
        customerId: z.int().nullable(),
        key: z.string(),
        name: z.string(),
        ...ages,
      }),
    ),
    totals: z.object(ages),
    controlAccount: decimalText,
    difference: decimalText,
  }),
}
