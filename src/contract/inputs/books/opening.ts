import { z } from 'zod'
import { amount, day, id, needed, positiveAmount, quantity, unitPrice } from '@/contract/fields'
import { lot, serials } from '@/contract/pieces'

const rows = <T extends z.ZodType>(row: T) => z.array(row, { error: 'A list of rows.' }).max(5000).default([])
const owed = { number: needed(60, 'A number'), on: day, due: day, amount: positiveAmount }

export const openingInput = z.object({
  /** The day from which these figures are in the books. */
  on: day,
  accounts: rows(z.object({ code: needed(20, 'A code'), debit: amount.optional(), credit: amount.optional() })),
  receivables: rows(z.object({ customerId: id, ...owed })),
  payables: rows(z.object({ supplierId: id, ...owed })),
  /** On account of a customer. */
  held: rows(z.object({ customerId: id, amount: positiveAmount })),
  stock: rows(
    z.object({
      goodsId: id,
      placeId: id.optional(),
      quantity,
      unitCost: unitPrice,
      lot: lot.optional(),
      serials: serials.optional(),
    }),
  ),
})
