import { addSupplierInput } from '@/contract/inputs/goods/keepSupplier'
import { present } from '@/core/present'
import { findSupplier, insertSupplier } from '@/data/queries/suppliers'
import { defineCommand } from '../command'

/** Somebody who sells to us. A name is enough. */
export const addSupplier = defineCommand('add-supplier', addSupplierInput, async (w, s) => {
  const supplierId = await insertSupplier(w.tx, s)
  return { id: supplierId, answer: async () => present(await findSupplier(w.tx, supplierId)) }
})
