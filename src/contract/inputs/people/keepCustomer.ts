import { ADDRESS_KINDS } from '@/core/kinds'
import { z } from 'zod'
import { edition, needed, text, days, percent, day, tags, amount, id } from '@/contract/fields'
import { PAPER_LANGUAGES } from '@/core/formats'
import { DAYS_MISSING, isGiven } from '@/contract/arrangement'
import { contact, email } from './contact'

export const address = z.object({
  kind: z.enum(ADDRESS_KINDS).default('bill-to'),
  text: needed(500, 'An address'),
  isDefault: z.boolean().default(false),
  instructions: text(500).default(''),
  taxArea: text(40).default(''),
})

export const fields = {
  name: needed(200, 'A name'),
  contact: text(200).optional(),
  email: email.optional(),
  phone: text(60).optional(),
  kind: text(40).optional(),
  note: text(4000).optional(),
  terms: z
    .object({ net: days, discountPercent: percent.optional(), discountDays: days.optional() })
    .refine((v) => !isGiven(v.discountPercent) || v.discountDays !== undefined, DAYS_MISSING)
    .refine((v) => v.discountPercent !== undefined || (v.discountDays ?? 0) === 0, {
      message: 'Say how many percent are taken off.',
      path: ['discountPercent'],
    })
    .optional(),
  taxExempt: z.boolean().optional(),
  exemptNumber: text(60).optional(),
  exemptUntil: day.nullable().optional(),
  priceLevel: text(40).optional(),
  language: z.enum(PAPER_LANGUAGES, { error: `One of ${PAPER_LANGUAGES.join(', ')}.` }).optional(),
  tags: tags.optional(),
  creditLimit: amount.nullable().optional(),
  addresses: z.array(address).max(50).optional(),
  contacts: z.array(contact).max(50).optional(),
}

export const addCustomerInput = z.object(fields)

export const changeCustomerInput = z
  .object({ customerId: id, ...fields, edition })
  .partial()
  .required({ customerId: true })
