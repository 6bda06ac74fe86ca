import { present } from '@/core/present'
import { z } from 'zod'
import { findSupplier, insertSupplier } from '@/data/queries/suppliers'
import { defineCommand } from '../command'
import { needed, text } from '@/contract/fields'

const input = z.object({
  name: needed(200, 'A name'),
  email: z.union([z.literal(''), z.email('An e-mail address looks like name@place.example.').max(200)]).default(''),
  phone: text(60).default(''),
  note: text(2000).default(''),
})

/** Somebody who sells to us. A name is enough. */
export const addSupplier = defineCommand('add-supplier', input, async (w, s) => {
  const supplierId = await insertSupplier(w.tx, s)
  return { id: supplierId, answer: async () => present(await findSupplier(w.tx, supplierId)) }
})
