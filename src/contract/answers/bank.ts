import { z } from 'zod'
import { SETTLE_KINDS, STATEMENT_FORMATS } from '@/core/bank'
import { csvColumns, csvFormat } from '@/contract/inputs/bank/bank'
import { dayText, decimalText, list } from './texts'

const account = z.object({
  id: z.int(),
  name: z.string(),
  accountId: z.int(),
  account: z.string(),
  code: z.string(),
  number: z.string(),
  format: csvFormat.nullable(),
  balance: decimalText,
  /** Its statements come by themselves; and the day through which they came. */
  feed: z.boolean(),
  fedThrough: dayText.nullable(),
})

const line = z.object({
  id: z.int(),
  on: dayText,
  amount: decimalText,
  text: z.string(),
  bankId: z.string(),
  state: z.enum(['open', 'settled']),
  settles: z.array(
    z.object({
      kind: z.enum(SETTLE_KINDS),
      id: z.int().nullable(),
      accountId: z.int().nullable(),
      entryId: z.int(),
      amount: decimalText,
      text: z.string(),
    }),
  ),
})

const head = z.object({
  id: z.int(),
  bankAccountId: z.int(),
  bankAccount: z.string(),
  name: z.string(),
  format: z.enum(STATEMENT_FORMATS),
  importedOn: dayText,
  from: dayText,
  through: dayText,
  opening: decimalText.nullable(),
  closing: decimalText.nullable(),
  doubles: z.int(),
  difference: decimalText.nullable(),
  count: z.int(),
  open: z.int(),
  canFinish: z.boolean(),
  done: z.boolean(),
  doneOn: dayText.nullable(),
})
const statement = head.extend({ lines: z.array(line) })

const rule = z.object({
  id: z.int(),
  contains: z.string(),
  accountId: z.int(),
  account: z.string(),
  taxCode: z.string().nullable(),
  always: z.boolean(),
})

/** What the calls of “Bank” answer. */
export const bankAnswers = {
  'POST /bank/accounts': account,
  'GET /bank/accounts': list(account),
  'GET /bank/accounts/{id}': account,
  'PATCH /bank/accounts/{id}': account,
  'POST /bank/accounts/{id}/fetch': account.extend({ statementIds: z.array(z.int()) }),
  'POST /bank/statements': statement,
  'POST /bank/look': z.object({
    format: z.enum(STATEMENT_FORMATS),
    headings: z.array(z.string()),
    columns: csvColumns.partial(),
    rows: z.array(z.array(z.string())),
  }),
  'GET /bank/statements': list(head),
  'GET /bank/statements/{id}': statement,
  'GET /bank/statements/{id}/proposals': z.object({
    proposals: z.array(
      z.object({
        lineId: z.int(),
        degree: z.number(),
        why: z.string(),
        settles: z.array(
          z.object({
            kind: z.enum(SETTLE_KINDS),
            id: z.int().optional(),
            accountId: z.int().optional(),
            receiptIds: z.array(z.int()).optional(),
            amount: decimalText,
            taxCode: z.string().optional(),
          }),
        ),
        fee: decimalText.optional(),
      }),
    ),
  }),
  'POST /bank/statements/{id}/finish': statement,
  'POST /bank/matches': line,
  'DELETE /bank/matches/{lineId}': line,
  'POST /bank/rules': rule,
  'GET /bank/rules': list(rule),
  'DELETE /bank/rules/{id}': z.object({}),
}
