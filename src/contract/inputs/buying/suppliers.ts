import { z } from 'zod'
import { isIban } from '@/core/formats'
import { SUPPLIER_ADDRESSES } from '@/core/kinds'
import { bic, days, edition, id, needed, percent, text } from '@/contract/fields'
import { contact, email } from '../people/contact'

const fields = {
  name: needed(200, 'A name'),
  email: email.optional(),
  phone: text(60).optional(),
  address: text(500).optional(),
  note: text(2000).optional(),
  /** Where orders, returns or checks go to, where that is not the address. */
  addresses: z
    .array(
      z.object({
        use: z.enum(SUPPLIER_ADDRESSES, { error: 'Say orders, returns or checks.' }),
        text: needed(500, 'An address'),
      }),
    )
    .max(SUPPLIER_ADDRESSES.length)
    .refine((all) => new Set(all.map((a) => a.use)).size === all.length, 'Each use has one address.')
    .optional(),
  /** Whom to ask for; letters greet the first one, and go to them where the supplier has no e-mail of their own. */
  contacts: z.array(contact).max(50).optional(),
  /** The same people, as a customer: what each side owes may be set off. */
  customerId: id.nullable().optional(),
  /** Their number with the tax authority, as it stands on their bills. */
  taxNumber: text(40).optional(),
  /** What lines of their bills usually are taxed with; null where nothing is usual. */
  taxCode: text(40).nullable().optional(),
  /** Their bills are due so many days after their day; paid within fewer they cost so many percent less. */
  terms: z
    .object({
      net: days,
      discountPercent: percent.refine((p) => p.lte(100), 'A discount is at most 100 %.').optional(),
      discountDays: days.optional(),
    })
    .optional(),
  bank: z
    .object({
      name: text(100).optional(),
      iban: text(60)
        .transform((t) => t.replace(/\s+/g, '').toUpperCase())
        .refine(
          (t) => t === '' || isIban(t),
          'This IBAN is not right: its check digits do not fit. Compare it with their invoice.',
        )
        .optional(),
      bic: bic.optional(),
      routing: text(40).optional(),
      account: text(40).optional(),
    })
    .optional(),
}

export const addSupplierInput = z.object(fields)
export const changeSupplierInput = z
  .object({ supplierId: id, ...fields, edition })
  .partial()
  .required({ supplierId: true })
