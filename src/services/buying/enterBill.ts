import { enterBillInput } from '@/contract/inputs/buying/bills'
import { present } from '@/core/present'
import { billView } from '@/model/buying/bills'
import { defineCommand } from '../command'
import { writeBill } from './writeBill'

/** A supplier's bill: for what came, for what is on order, or by account. Their number counts once. */
export const enterBill = defineCommand('enter-bill', enterBillInput, async (w, input) => {
  const id = await writeBill(w, input)
  return { id, answer: async () => present(await billView(w.tx, id, w)) }
})
