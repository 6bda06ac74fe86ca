import { z } from 'zod'
import { ACCOUNT_KINDS } from '@/core/kinds'
import { MONTH_STEPS } from '@/core/ledger'
import { TAX_BASES, TAX_SIDES } from '@/core/tax'
import { dayText, decimalText, list, rhythmText } from './texts'
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

const taxReturn = z.object({
  id: z.int(),
  from: dayText,
  through: dayText,
  basis: z.enum(TAX_BASES),
  state: z.enum(['draft', 'filed', 'paid']),
  filedOn: dayText.nullable(),
  paidOn: dayText.nullable(),
  paid: decimalText.nullable(),
  entryId: z.int().nullable(),
  rows: z.array(
    z.object({
      side: z.enum(TAX_SIDES),
      code: z.string(),
      name: z.string(),
      treatment: z.string(),
      component: z.string().nullable(),
      rate: decimalText,
      accountId: z.int().nullable(),
      net: decimalText,
      tax: decimalText,
      papers: z.array(
        z.object({
          entryId: z.int(),
          on: dayText,
          text: z.string(),
          href: z.string(),
          net: decimalText,
          tax: decimalText,
        }),
      ),
    }),
  ),
  totals: z.object({ sales: decimalText, purchases: decimalText, due: decimalText }),
})

const reportRows = z.array(z.object({ account: z.string(), name: z.string(), amount: decimalText }))
const profitAndLoss = {
  income: reportRows,
  costOfGoods: reportRows,
  expenses: reportRows,
  totals: z.object({ income: decimalText, grossProfit: decimalText, expenses: decimalText, profit: decimalText }),
}

/** What accounts are meant to come to in a year. */
const budget = z.object({
  year: z.int(),
  lines: z.array(z.object({ accountId: z.int(), account: z.string(), name: z.string(), amount: decimalText })),
})

/** What the calls of “Books” answer. */
const entryRepeat = z.object({
  id: z.int(),
  entryId: z.int(),
  turned: z.boolean(),
  ...rhythmText,
})

const cashPart = z.object({
  rows: z.array(z.object({ account: z.string(), name: z.string(), amount: decimalText })),
  total: decimalText,
})

/** A row of a spreadsheet as /books/opening takes it, with what it is called. */
const openingRow = z.object({
  row: z.int(),
  name: z.string(),
  customerId: z.int().optional(),
  supplierId: z.int().optional(),
  number: z.string().optional(),
  on: dayText.optional(),
  due: dayText.optional(),
  amount: decimalText.optional(),
  goodsId: z.int().optional(),
  placeId: z.int().optional(),
  quantity: decimalText.optional(),
  unitCost: decimalText.optional(),
  lot: z.object({ code: z.string(), expires: dayText.optional() }).optional(),
  serials: z.array(z.string()).optional(),
  code: z.string().optional(),
  debit: decimalText.optional(),
  credit: decimalText.optional(),
})

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
  'GET /books/budget': budget,
  'POST /books/budget': budget,
  'GET /books/profit-and-loss': z.object({
    from: dayText,
    to: dayText,
    ...profitAndLoss,
    /** What it is meant to be, where a year of it has a budget. */
    budget: z.object(profitAndLoss).nullable(),
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
  'GET /books/cash-flow': z.object({
    from: dayText,
    to: dayText,
    opening: decimalText,
    operating: cashPart,
    investing: cashPart,
    financing: cashPart,
    change: decimalText,
    closing: decimalText,
    accounts: z.array(z.object({ account: z.string(), name: z.string(), opening: decimalText, closing: decimalText })),
    difference: decimalText,
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
  'POST /books/entries/{id}/reverse': entry,
  'POST /books/entries/{id}/repeats': entryRepeat,
  'GET /entry-repeats': list(entryRepeat),
  'POST /entry-repeats/{id}/stop': entryRepeat,
  'GET /accounts': list(account),
  'POST /accounts': account,
  'PATCH /accounts/{id}': account,
  'POST /accounts/{id}/merge': account,
  'POST /tax-returns': taxReturn,
  'GET /tax-returns': list(taxReturn),
  'GET /tax-returns/{id}': taxReturn,
  'DELETE /tax-returns/{id}': z.object({}),
  'POST /tax-returns/{id}/file': taxReturn,
  'POST /tax-returns/{id}/pay': taxReturn,
  'POST /tax-returns/{id}/unpay': taxReturn,
  'POST /books/year-end': entry,
  'DELETE /books/year-end/{year}': entry,
  'POST /books/opening': entry.extend({ difference: decimalText }),
  'POST /books/opening/read': z.object({
    rows: z.array(openingRow),
    problems: z.array(z.object({ row: z.int(), code: z.string(), message: z.string() })),
  }),
  'GET /month': z.object({
    month: z.string(),
    from: dayText,
    to: dayText,
    steps: z.array(
      z.object({ key: z.enum(MONTH_STEPS), done: z.boolean(), why: z.string(), amount: decimalText.optional() }),
    ),
  }),
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
