import { METHODS } from '@/core/ledger'
import { z } from 'zod'
import { day as readDay, isDayInReach, isZone } from '@/core/day'
import { isLocale } from '@/core/locale'
import { decimal, type Decimal } from '@/core/money'

/** The fields every input is made of. Form, HTTP interface and files share them, and so do their sentences. */

/** Characters nobody types, which neither the database nor a file takes, and halves of some: they are left out. */
const UNSEEN = /[\u0000-\u0008\u000B\u000C\u000E-\u001F\u007F\uFFFE\uFFFF\p{Surrogate}]/gu

/** A letter and its accent are one, however they were typed or pasted: a code is the same, and so is a name. */
export const text = (most: number) =>
  z
    .string({ error: 'Write text here.' })
    .overwrite((typed) => typed.normalize('NFC').replace(UNSEEN, ''))
    .trim()
    .max(most, `At most ${most} characters.`)
const BIC = /^[A-Z0-9]{4}[A-Z]{2}[A-Z0-9]{2}([A-Z0-9]{3})?$/
/** The code of a bank (ISO 9362), or nothing. */
export const bic = text(20)
  .transform((t) => t.replace(/\s+/g, '').toUpperCase())
  .refine((t) => t === '' || BIC.test(t), 'A BIC has 8 or 11 letters and digits.')

export const needed = (most: number, what: string) => text(most).min(1, `${what} is needed.`)

/** The edition of something that was looked at before it is changed. */
export const edition = text(40).optional()

const NO_ID = 'An id is a whole number.'
export const id = z
  .union([z.int(NO_ID).positive(NO_ID).max(2_147_483_647, NO_ID), z.string().regex(/^\d{1,9}$/, NO_ID)], {
    error: NO_ID,
  })
  .transform(Number)

export const day = z
  .string({ error: 'A date is written YYYY-MM-DD.' })
  .refine((s) => isDayInReach(s), 'Enter a date that exists, from 1990 to 2199, as YYYY-MM-DD.')
  .transform(readDay)

const plainDecimal = (pattern: RegExp, message: string) => z.string({ error: message }).trim().regex(pattern, message)

export const locale = z
  .string({ error: 'A region is written like en-US.' })
  .refine(isLocale, 'A region is written like en-US or de-DE, and must exist.')

/** Where the business is, by a name of the IANA time zones; empty for where the program runs. */
export const timeZone = z
  .string({ error: 'A time zone is written like America/Chicago.' })
  .max(60, 'At most 60 characters.')
  .refine((zone) => zone === '' || isZone(zone), 'A time zone is written like America/Chicago, and must exist.')

/** A decimal string; digits beyond the currency's are refused where the currency is known. */
export const amount = plainDecimal(/^\d{1,12}(\.\d{1,4})?$/, 'An amount is written like 412.50 and is not negative.')
/** An amount that may be below zero. */
export const signedAmount = plainDecimal(
  /^[-−]?\d{1,12}(\.\d{1,4})?$/,
  'An amount is written like 412.50, or -412.50 where it is below zero.',
)
export const positiveAmount = amount.refine((s) => Number(s) !== 0, 'The amount must be above zero.')

export const quantity = plainDecimal(
  /^\d{1,8}(\.\d{1,4})?$/,
  'A quantity is written like 2 or 1.5, with at most four places.',
)
  .refine((s) => Number(s) !== 0, 'The quantity must be above zero.')
  .transform((s) => decimal(s))
export const signedQuantity = plainDecimal(
  /^[-−]?\d{1,8}(\.\d{1,4})?$/,
  'A change is written like 3 or -2, with at most four places.',
)
  .refine((s) => /[1-9]/.test(s), 'The change must not be zero.')
  .transform((s) => decimal(s.replace('−', '-')))
export const quantityOrZero = plainDecimal(
  /^\d{1,8}(\.\d{1,4})?$/,
  'A quantity is written like 2 or 1.5, with at most four places.',
).transform((s) => decimal(s))
/** As much as an amount: a cello costs nine digits in some currencies. */
const MOST_PRICE = decimal('999999999999.9999')
export const unitPrice = plainDecimal(/^\d{1,18}(\.\d{1,4})?$/, 'A price is written like 19.90 and is not negative.')
  .transform((s) => decimal(s))
  .refine((d) => d.lte(MOST_PRICE), 'The price is too large.')
export const percent = plainDecimal(/^\d{1,3}(\.\d{1,4})?$/, 'A percentage is written like 40 or 2.5.')
  .transform((s) => decimal(s))
  .refine((d) => d.lte(100), 'A percentage is at most 100.')
export const positivePercent = percent.refine((d) => d.gt(0), 'The percentage must be above zero.')
export const rate = plainDecimal(/^\d(\.\d{1,8})?$/, 'A rate is a fraction: 0.12 for 12 %.')
  .transform((s) => decimal(s))
  .refine((d) => d.lte(1), 'A rate is a fraction: 0.12 for 12 %.')
/** Checks of several fields run beside those of each: a figure that could not be read is told at its own field, and is still text. */
export const isDecimal = (figure: unknown): figure is Decimal => typeof figure === 'object' && figure !== null

export const days = z.int('A whole number of days.').min(0, 'Not below zero.').max(3650, 'At most 3650 days.')

export const method = z.enum(METHODS, {
  error: 'Say cash, card, cheque or transfer.',
})

/** Words of the owner's own to find things by: in lower case, each once. */
export const tags = z
  .array(text(40))
  .max(20, 'At most 20 tags.')
  .transform((all) => [...new Set(all.map((t) => t.toLowerCase()).filter((t) => t !== ''))])

/** The paper's own date; the business date where none is given. */
export const on = day.optional()
