import { z } from 'zod'
import { ACCOUNT_KINDS } from '@/core/kinds'
import { dayText, decimalText, list } from './texts'
import { entry } from './things'

const account = z.object({
  id: z.int(),
  code: z.string(),
  name: z.string(),
  type: z.enum(ACCOUNT_KINDS),
  kind: z.enum(ACCOUNT_KINDS),
  role: z.string().nullable(),
  hidden: z.boolean(),
})

/** What the calls of “Books” answer. */
export const booksAnswers = {
  'GET /books/trial-balance': z.object({
    asOf: dayText,
    rows: z.array(z.object({ account: z.string(), name: z.string(), debit: decimalText, credit: decimalText })),
    totals: z.object({ debit: decimalText, credit: decimalText }),
    difference: decimalText,
  }),
  'GET /books/balance-sheet': z.object({
    asOf: dayText,
    assets: z.array(z.object({ account: z.string(), name: z.string(), amount: decimalText })),
    liabilities: z.array(z.object({ account: z.string(), name: z.string(), amount: decimalText })),
    equity: z.array(z.object({ account: z.string(), name: z.string(), amount: decimalText })),
    earnings: decimalText,
    totals: z.object({ assets: decimalText, liabilities: decimalText, equity: decimalText }),
    difference: decimalText,
  }),
  'GET /books/profit-and-loss': z.object({
    from: dayText,
    to: dayText,
    income: z.array(z.object({ account: z.string(), name: z.string(), amount: decimalText })),
    costOfGoods: z.array(z.object({ account: z.string(), name: z.string(), amount: decimalText })),
    expenses: z.array(z.object({ account: z.string(), name: z.string(), amount: decimalText })),
    totals: z.object({ income: decimalText, grossProfit: decimalText, expenses: decimalText, profit: decimalText }),
  }),
  'GET /books/tax': z.object({
    from: dayText,
    to: dayText,
    rows: z.array(
      z.object({
        code: z.string(),
        name: z.string(),
        treatment: z.string(),
        component: z.string().nullable(),
        rate: decimalText,
        net: decimalText,
        tax: decimalText,
      }),
    ),
    total: decimalText,
  }),
  'GET /books/ties': z.object({
    asOf: dayText,
    ties: z.array(
      z.object({ name: z.string(), subledger: decimalText, account: decimalText, difference: decimalText }),
    ),
  }),
  'GET /books/entries': list(entry),
  'GET /books/entries/{id}': entry,
  'POST /books/entries': entry,
  'GET /accounts': list(account),
  'POST /accounts': account,
  'PATCH /accounts/{id}': account,
  'POST /accounts/{id}/merge': account,
  'POST /books/year-end': entry,
  'DELETE /books/year-end/{year}': entry,
  'POST /books/close': z.object({ closedThrough: dayText }),
  'POST /books/reopen': z.object({ closedThrough: dayText.nullable() }),
  'GET /books/closings': list(
    z.object({
      id: z.int(),
      kind: z.enum(['closed', 'reopened']),
      through: dayText.nullable(),
      reason: z.string(),
      on: dayText,
      at: z.string(),
    }),
  ),
}
