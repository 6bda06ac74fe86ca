import { addSupplierInput, changeSupplierInput } from '@/contract/inputs/buying/suppliers'
import type { z } from 'zod'
import { found } from '@/contract/refuse'
import { ZERO } from '@/core/money'
import { present } from '@/core/present'
import { findSupplier, insertSupplier, updateSupplier } from '@/data/queries/suppliers'
import { supplierView } from '@/model/buying/suppliers'
import { defineCommand } from '../command'

/** What is kept of a supplier; what is left out stays as it is. */
const rowOf = ({ terms, bank, ...s }: Omit<z.output<typeof changeSupplierInput>, 'supplierId'>) => ({
  ...s,
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
})

/** Somebody who sells to us. A name is enough. */
export const addSupplier = defineCommand('add-supplier', addSupplierInput, async (w, s) => {
  const id = await insertSupplier(w.tx, { ...rowOf(s), name: s.name })
  return { id, answer: async () => present(await supplierView(w.tx, id, w)) }
})

/** Changes what is kept of a supplier, from now on. */
export const changeSupplier = defineCommand('change-supplier', changeSupplierInput, async (w, { supplierId, ...s }) => {
  found(await findSupplier(w.tx, supplierId), 'supplier', supplierId)
  await updateSupplier(w.tx, supplierId, rowOf(s))
  return { id: supplierId, answer: async () => present(await supplierView(w.tx, supplierId, w)) }
})
