import { stopRepeatInput, startRepeatInput } from '@/contract/inputs/sales/keepRepeat'
import { present } from '@/core/present'
import { insertRepeat, listRepeats, lockRepeat, updateRepeat } from '@/data/queries/repeats'
import { defineCommand } from '../command'
import { viewOfRepeat } from '@/model/sale/repeats'
import { found, refuse } from '@/contract/refuse'
import { beginRhythm } from '../repeating'
import { takeSale } from './saleWork'

/** A sale that comes again: its lines are copied on each of its days, at the prices of that day. */
export const startRepeat = defineCommand('start-repeat', startRepeatInput, async (w, r) => {
  const locked = await takeSale(w, r.saleId)
  if (!locked.lines.some((l) => l.quantity.gt(0))) refuse({ code: 'nothing-on-sale' })
  const repeatId = await insertRepeat(w.tx, {
    saleId: r.saleId,
    ...beginRhythm(w, r),
    makes: r.makes,
    byItself: r.byItself,
  })
  return {
    id: repeatId,
    answer: async () => viewOfRepeat(present((await listRepeats(w.tx, { id: repeatId }, w.currency))[0])),
  }
})

/** Stops a repeat: what it made stays, nothing more comes. */
export const stopRepeat = defineCommand('stop-repeat', stopRepeatInput, async (w, { repeatId }) => {
  await lockRepeat(w.tx, repeatId)
  const [before] = await listRepeats(w.tx, { id: repeatId }, w.currency)
  const repeat = found(before, 'repeat', repeatId)
  if (repeat.nextOn !== null) await updateRepeat(w.tx, repeatId, { nextOn: null, stoppedOn: w.today })
  return {
    id: repeatId,
    answer: async () => viewOfRepeat(present((await listRepeats(w.tx, { id: repeatId }, w.currency))[0])),
  }
})
