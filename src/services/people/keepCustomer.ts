import { addCustomerInput, changeCustomerInput } from '@/contract/inputs/people/keepCustomer'
import { present } from '@/core/present'
import type { z } from 'zod'
import { insertCustomer, replaceAddresses, replaceContacts, updateCustomer } from '@/data/queries/customers'
import { findPriceLevel, listTaxAreas } from '@/data/queries/prices'
import { defineCommand, type Work } from '../command'
import { mustBeAsSeen } from '../mustBeAsSeen'
import { customerView, readCustomerEdition } from '@/model/people/customers'
import { refuse, refuseAt } from '@/contract/refuse'
import { customerFor } from './customerFor'
type Fields = Partial<z.output<typeof addCustomerInput>>

const PLAIN = [
  'contact',
  'email',
  'phone',
  'kind',
  'note',
  'taxExempt',
  'exemptNumber',
  'exemptUntil',
  'language',
  'tags',
] as const

const columnsOf = async (w: Work, c: Fields) => {
  const level = c.priceLevel ? await findPriceLevel(w.tx, c.priceLevel) : null
  if (c.priceLevel && !level)
    refuseAt('priceLevel', `There is no price level ${c.priceLevel}. Make it in Settings first.`)
  return {
    ...Object.fromEntries(PLAIN.filter((f) => c[f] !== undefined).map((f) => [f, c[f]])),
    ...(c.terms === undefined
      ? {}
      : {
          netDays: c.terms.net,
          discountPercent: c.terms.discountPercent ?? null,
          discountDays: c.terms.discountDays ?? null,
        }),
    ...(c.priceLevel === undefined ? {} : { priceLevel: level?.code ?? '' }),
    ...(c.creditLimit === undefined
      ? {}
      : { creditLimit: c.creditLimit === null ? null : w.money(c.creditLimit, 'creditLimit').minor }),
  }
}

/** Addresses and contacts replace those there were; of a kind the first is the usual one where none is named. */
const writeParts = async (w: Work, customerId: number, c: Fields): Promise<void> => {
  if (c.addresses) {
    const areas = await listTaxAreas(w.tx)
    c.addresses.forEach((a, i) => {
      if (a.taxArea && !areas.some((x) => x.code === a.taxArea))
        refuse({
          code: 'invalid',
          errors: [
            {
              path: `addresses.${i}.taxArea`,
              message: `There is no tax area ${a.taxArea}. Make it in Settings first.`,
            },
          ],
        })
    })
    const usual = (kind: string) => {
      const named = present(c.addresses).findIndex((a) => a.kind === kind && a.isDefault)
      return named >= 0 ? named : present(c.addresses).findIndex((a) => a.kind === kind)
    }
    await replaceAddresses(
      w.tx,
      customerId,
      c.addresses.map((a, i) => ({ ...a, isDefault: i === usual(a.kind) })),
    )
  }
  if (c.contacts) await replaceContacts(w.tx, customerId, c.contacts)
}

/** A new customer. A name is enough. */
export const addCustomer = defineCommand('add-customer', addCustomerInput, async (w, c) => {
  const customerId = await insertCustomer(w.tx, { name: c.name, since: w.today, ...(await columnsOf(w, c)) })
  await writeParts(w, customerId, c)
  return { id: customerId, answer: async () => present(await customerView(w.tx, customerId, w.business, w.today)) }
})

/** Changes what is known of a customer; papers written before keep what they say. */
export const changeCustomer = defineCommand(
  'change-customer',
  changeCustomerInput,
  async (w, { customerId, edition, ...c }) => {
    const { name } = await customerFor(w, customerId)
    if (c.addresses || c.contacts) mustBeAsSeen(name, edition, await readCustomerEdition(w.tx, customerId))
    const change = { ...(await columnsOf(w, c)), ...(c.name === undefined ? {} : { name: c.name }) }
    if (Object.keys(change).length > 0) await updateCustomer(w.tx, customerId, change)
    await writeParts(w, customerId, c)
    return {
      id: customerId,
      answer: async () => present(await customerView(w.tx, customerId, w.business, w.today)),
    }
  },
)
