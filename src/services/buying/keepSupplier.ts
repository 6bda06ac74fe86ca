import { addSupplierInput, changeSupplierInput } from '@/contract/inputs/buying/suppliers'
import type { z } from 'zod'
import { found, refuseAt } from '@/contract/refuse'
import { ZERO } from '@/core/money'
import { present } from '@/core/present'
import {
  findSupplier,
  findSupplierOfCustomer,
  insertSupplier,
  replaceSupplierAddresses,
  replaceSupplierContacts,
  updateSupplier,
} from '@/data/queries/suppliers'
import { readSupplierLists, supplierView } from '@/model/buying/suppliers'
import { defineCommand, type Work } from '../command'
import { mustBeAsSeen } from '../mustBeAsSeen'
import { taxCodeNamed } from '../books/taxCodeNamed'
import { customerFor } from '../people/customerFor'

type Fields = Omit<z.output<typeof changeSupplierInput>, 'supplierId' | 'edition'>

/** What is kept of a supplier; what is left out stays as it is. */
const rowOf = async (w: Work, fields: Fields) => {
  const { terms, bank, addresses: _addresses, contacts: _contacts, taxCode, ...s } = fields
  return {
    ...s,
    ...(taxCode !== undefined && {
      taxCodeId: taxCode ? taxCodeNamed(await w.taxCodes(), taxCode, 'taxCode').id : null,
    }),
    ...(terms && {
      netDays: terms.net,
      discountPercent: terms.discountPercent ?? ZERO,
      discountDays: terms.discountDays ?? 0,
    }),
    ...(bank && {
      bankName: bank.name ?? '',
      iban: bank.iban ?? '',
      bic: bank.bic ?? '',
      routing: bank.routing ?? '',
      bankAccount: bank.account ?? '',
    }),
  }
}

/** Addresses and contacts given replace those there were; a customer is one supplier’s alone. */
const writeSides = async (w: Work, supplierId: number, s: Fields): Promise<void> => {
  if (s.addresses) await replaceSupplierAddresses(w.tx, supplierId, s.addresses)
  if (s.contacts) await replaceSupplierContacts(w.tx, supplierId, s.contacts)
  if (s.customerId === null || s.customerId === undefined) return
  const customer = await customerFor(w, s.customerId)
  const other = await findSupplierOfCustomer(w.tx, customer.id)
  if (other && other.id !== supplierId)
    refuseAt('customerId', `${customer.name} is ${other.name} already. Choose another customer.`)
}

/** Somebody who sells to us. A name is enough. */
export const addSupplier = defineCommand('add-supplier', addSupplierInput, async (w, s) => {
  const id = await insertSupplier(w.tx, { ...(await rowOf(w, s)), customerId: null, name: s.name })
  await writeSides(w, id, s)
  if (s.customerId) await updateSupplier(w.tx, id, { customerId: s.customerId })
  return { id, answer: async () => present(await supplierView(w.tx, id, w)) }
})

/** Changes what is kept of a supplier, from now on. */
export const changeSupplier = defineCommand(
  'change-supplier',
  changeSupplierInput,
  async (w, { supplierId, edition, ...s }) => {
    const { name } = found(await findSupplier(w.tx, supplierId), 'supplier', supplierId)
    if (s.addresses || s.contacts) mustBeAsSeen(name, edition, (await readSupplierLists(w.tx, supplierId)).edition)
    await writeSides(w, supplierId, s)
    await updateSupplier(w.tx, supplierId, await rowOf(w, s))
    return { id: supplierId, answer: async () => present(await supplierView(w.tx, supplierId, w)) }
  },
)
