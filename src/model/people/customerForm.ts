import { findCustomer, listAddresses, listContacts } from '@/data/queries/customers'
import { listPriceLevels, listTaxAreas } from '@/data/queries/prices'
import { findWholeUse } from '@/data/queries/wholes'
import type { Where } from '../where'
import { editionOfCustomer } from './customers'

const named = ({ code, name }: { readonly code: string; readonly name: string }) => ({ code, name })

/** What a form about a customer lets choose from. */
export const readCustomerChoices = async ({ db }: Where) => {
  const [levels, areas] = await Promise.all([listPriceLevels(db), listTaxAreas(db)])
  return { levels: levels.map(named), areas: areas.map(named) }
}

/** A customer as the form changes them; null where there is none. */
export const readCustomerToChange = async ({ db, currency }: Where, id: number) => {
  const [customer, addresses, contacts, use] = await Promise.all([
    findCustomer(db, id, currency),
    listAddresses(db, id),
    listContacts(db, id),
    findWholeUse(db, 'customer', id),
  ])
  const unused = use === null && customer?.walkIn === false
  return customer && { customer, addresses, contacts, unused, edition: editionOfCustomer(addresses, contacts) }
}

/** Whose name an address gives by its id; null where nobody has it. */
export const readCustomerName = async ({ db, currency }: Where, id: string | undefined) => {
  const customer = /^\d{1,9}$/.test(id ?? '') ? await findCustomer(db, Number(id), currency) : null
  return customer && { id: customer.id, name: customer.name }
}
