import { z } from 'zod'
import { findCustomer, insertCustomer, replaceAddresses, updateCustomer } from '@/data/queries/customers'
import { defineCommand, type Work } from '../command'
import { amount, day, days, id, needed, percent, text } from '../input/fields'
import { customerView } from '../read/customers'
import { found } from '../refuse'

const address = z.object({
  kind: z.enum(['bill-to', 'deliver-to']).default('bill-to'),
  text: needed(500, 'An address'),
  isDefault: z.boolean().optional(),
})

const fields = {
  name: needed(200, 'A name'),
  contact: text(200).optional(),
  email: z
    .union([z.literal(''), z.email('An e-mail address looks like name@place.example.').max(200)])
    .optional(),
  phone: text(60).optional(),
  kind: text(40).optional(),
  note: text(4000).optional(),
  terms: z
    .object({ net: days, discountPercent: percent.optional(), discountDays: days.optional() })
    .optional(),
  taxExempt: z.boolean().optional(),
  exemptNumber: text(60).optional(),
  exemptUntil: day.nullable().optional(),
  priceLevel: text(40).optional(),
  creditLimit: amount.nullable().optional(),
  addresses: z.array(address).max(50).optional(),
}

export const addCustomerInput = z.object(fields)
type Fields = Partial<z.output<typeof addCustomerInput>>

const columnsOf = (w: Work, c: Fields) => ({
  ...(c.contact === undefined ? {} : { contact: c.contact }),
  ...(c.email === undefined ? {} : { email: c.email }),
  ...(c.phone === undefined ? {} : { phone: c.phone }),
  ...(c.kind === undefined ? {} : { kind: c.kind }),
  ...(c.note === undefined ? {} : { note: c.note }),
  ...(c.terms === undefined
    ? {}
    : {
        netDays: c.terms.net,
        discountPercent: c.terms.discountPercent?.toString() ?? null,
        discountDays: c.terms.discountDays ?? null,
      }),
  ...(c.taxExempt === undefined ? {} : { taxExempt: c.taxExempt }),
  ...(c.exemptNumber === undefined ? {} : { exemptNumber: c.exemptNumber }),
  ...(c.exemptUntil === undefined ? {} : { exemptUntil: c.exemptUntil }),
  ...(c.priceLevel === undefined ? {} : { priceLevel: c.priceLevel }),
  ...(c.creditLimit === undefined
    ? {}
    : { creditLimit: c.creditLimit === null ? null : w.money(c.creditLimit, 'creditLimit').minor }),
})

const addressRows = (addresses: NonNullable<Fields['addresses']>) =>
  addresses.map((a) => ({ ...a, isDefault: a.isDefault ?? false }))

/** A new customer. A name is enough. */
export const addCustomer = defineCommand('add-customer', addCustomerInput, async (w, c) => {
  const customerId = await insertCustomer(w.tx, { name: c.name, since: w.today, ...columnsOf(w, c) })
  if (c.addresses) await replaceAddresses(w.tx, customerId, addressRows(c.addresses))
  return { id: customerId, answer: async () => (await customerView(w.tx, customerId, w.business, w.today))! }
})

const changeInput = z
  .object({ customerId: id, ...fields })
  .partial()
  .required({ customerId: true })

/** Changes what is known of a customer; papers written before keep what they say. */
export const changeCustomer = defineCommand(
  'change-customer',
  changeInput,
  async (w, { customerId, ...c }) => {
    found(await findCustomer(w.tx, customerId, w.currency), 'customer', customerId)
    const change = { ...columnsOf(w, c), ...(c.name === undefined ? {} : { name: c.name }) }
    if (Object.keys(change).length > 0) await updateCustomer(w.tx, customerId, change)
    if (c.addresses) await replaceAddresses(w.tx, customerId, addressRows(c.addresses))
    return {
      id: customerId,
      answer: async () => (await customerView(w.tx, customerId, w.business, w.today))!,
    }
  },
)
