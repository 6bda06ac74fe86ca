import { z } from 'zod'
import { amount, day, id, needed, positiveAmount, quantity, unitPrice } from '@/contract/fields'
import { lot, serials } from '@/contract/pieces'

const owed = { number: needed(60, 'A number'), on: day, due: day, amount: positiveAmount }

/** What a row of each list of opening balances takes. */
export const OPENING_ROWS = {
  receivables: z.object({ customerId: id, ...owed }),
  payables: z.object({ supplierId: id, ...owed }),
  /** On account of a customer. */
  held: z.object({ customerId: id, amount: positiveAmount }),
  stock: z.object({
    goodsId: id,
    placeId: id.optional(),
    quantity,
    unitCost: unitPrice,
    lot: lot.optional(),
    serials: serials.optional(),
  }),
  accounts: z.object({ code: needed(20, 'A code'), debit: amount.optional(), credit: amount.optional() }),
}
export type OpeningList = keyof typeof OPENING_ROWS
export const OPENING_LISTS = ['receivables', 'payables', 'held', 'stock', 'accounts'] as const satisfies OpeningList[]

const rows = <T extends z.ZodType>(row: T) => z.array(row, { error: 'A list of rows.' }).max(5000).default([])

export const openingInput = z.object({
  /** The day from which these figures are in the books. */
  on: day,
  accounts: rows(OPENING_ROWS.accounts),
  receivables: rows(OPENING_ROWS.receivables),
  payables: rows(OPENING_ROWS.payables),
  held: rows(OPENING_ROWS.held),
  stock: rows(OPENING_ROWS.stock),
})

/** Which list a spreadsheet is for. */
export const openingFileQuery = z.object({
  list: z.enum(OPENING_LISTS, { error: `Say which list it is: ${OPENING_LISTS.join(', ')}.` }),
})
