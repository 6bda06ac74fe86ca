import { z } from 'zod'
import { SETTLE_KINDS } from '@/core/bank'
import { amount, id, needed, positiveAmount, text } from '@/contract/fields'

const heading = text(200).optional()

export const csvColumns = z.object({
  on: needed(200, 'The column of the date'),
  text: needed(200, 'The column of the text'),
  /** One column with its sign; or one that came in and one that went out. */
  amount: heading,
  in: heading,
  out: heading,
  balance: heading,
  bankId: heading,
})

export const csvFormat = z.object({
  columns: csvColumns.refine((c) => Boolean(c.amount || c.in || c.out), {
    path: ['amount'],
    message: 'Choose the column of the amount, or those of money in and out.',
  }),
  delimiter: z.string().max(1, 'One character, like ; or a comma.').optional(),
  decimal: z.enum([',', '.'], { error: 'Say , or .' }).optional(),
  date: z
    .string()
    .max(20)
    .regex(/^(?=.*Y)(?=.*M)(?=.*D)[YMD./ -]+$/, 'Write it like DD.MM.YYYY or YYYY-MM-DD.')
    .optional(),
})

const number = text(60).transform((t) => t.replace(/\s+/g, '').toUpperCase())

/** Its statements come by themselves each morning. */
const feed = z.boolean({ error: 'Say true or false.' }).optional()

export const addBankAccountInput = z.object({
  name: needed(80, 'A name'),
  /** The account in the books it must agree with; left out, the bank’s, or another one of its own. */
  accountId: id.optional(),
  /** Its IBAN or number, as its statements say it. */
  number: number.optional(),
  format: csvFormat.optional(),
  feed,
})

export const changeBankAccountInput = z.object({
  bankAccountId: id,
  name: needed(80, 'A name').optional(),
  number: number.optional(),
  format: csvFormat.nullable().optional(),
  feed,
})

export const importStatementInput = z.object({
  bankAccountId: id,
  name: text(200).default(''),
  base64: z
    .string({ error: 'The file in base64.' })
    .min(1, 'The file is empty.')
    .max(6_000_000, 'A file has at most 4 MB.'),
})

const chosenAccount = z.number({ error: 'Choose an account.' }).int().positive('Choose an account.')

const settle = z.object({
  kind: z.enum(SETTLE_KINDS, { error: `Say ${SETTLE_KINDS.join(', ')}.` }),
  id: id.optional(),
  accountId: chosenAccount.optional(),
  receiptIds: z.array(id).min(1, 'Name at least one receipt.').max(500).optional(),
  amount: positiveAmount,
  taxCode: text(40).optional(),
})
export type SettleInput = z.output<typeof settle>

export const matchLineInput = z.object({
  lineId: id,
  settles: z.array(settle, { error: 'Say what it is, as a list.' }).min(1, 'Say what it is.').max(200),
  /** What the card company kept. */
  fee: amount.optional(),
  /** Lines with this text go to the same account from now on, as soon as they come. */
  always: text(200).optional(),
})
export const fetchStatementInput = z.object({ bankAccountId: id })
export const lineInput = z.object({ lineId: id })
export const statementInput = z.object({ statementId: id })

export const addBankRuleInput = z.object({
  contains: needed(200, 'A text'),
  accountId: chosenAccount,
  taxCode: text(40).optional(),
  /** Posted by itself when a statement comes. */
  always: z.boolean({ error: 'Say true or false.' }).default(false),
})
export const bankRuleInput = z.object({ ruleId: id })
