import { z } from 'zod'
import { day, locale, needed, text, timeZone } from '@/contract/fields'
import { addTaxCodeInput } from '@/contract/inputs/books/addTaxCode'

/** What a passphrase must be like. Spaces are letters of it, but spaces alone are none. */
export const newPassphrase = z
  .string({ error: 'A passphrase is needed.' })
  .max(200, 'At most 200 characters.')
  .refine((s) => s.trim().length >= 8, 'At least 8 characters.')

export const setUpInput = z.object({
  name: needed(120, 'The name of the business'),
  currency: z
    .string({ error: 'A currency is three letters, like EUR.' })
    .regex(/^[A-Z]{3}$/, 'A currency is three capital letters, like EUR.'),
  /** How numbers are written and typed dates read; en-US where nothing is said. */
  locale: locale.optional(),
  /** What day it is there; where the program runs, where nothing is said. */
  timeZone: timeZone.optional(),
  openingDate: day.optional(),
  passphrase: newPassphrase,
  taxCodes: z.array(addTaxCodeInput).max(30).optional(),
  pricesIncludeTax: z.boolean().optional(),
})

/** The same as the first page asks it: of taxes one, in percent, and the code where the start printed one. */
export const setUpPageInput = setUpInput.omit({ taxCodes: true }).extend({
  taxName: needed(60, 'The name of your sales tax'),
  percent: z.string().regex(/^(\d{1,2}(\.\d{1,4})?)?$/, 'A percentage is written like 8.25.'),
  code: text(100).optional(),
})

/** As somebody types it: six figures of an app, or a spare code. */
const code = z.string({ error: 'Enter the code.' }).trim().min(1, 'Enter the code.').max(40, 'At most 40 characters.')

export const sessionInput = z.object({
  passphrase: z.string().max(200),
  /** Where signing in takes one. */
  code: z.string().max(40).optional(),
})

const typedAgain = z.string({ error: 'Type your passphrase again.' }).max(200)
export const beginCodesInput = z.object({ passphrase: typedAgain })
export const confirmCodesInput = z.object({ code })
export const endCodesInput = z.object({ passphrase: typedAgain, code })

export const tokenInput = z.object({
  name: needed(80, 'A name'),
  /** Typed again: a token opens what a session does, and longer. */
  passphrase: typedAgain,
  days: z.int('A whole number of days.').min(1, 'At least one day.').max(730, 'At most two years.').default(365),
  readOnly: z.boolean().default(false),
})

export const passphraseInput = z.object({ now: z.string().max(200), next: z.string().max(200) })
