import { present } from '@/core/present'
import { z } from 'zod'
import { repeatDay, type Repeating } from '@/core/sale'
import { insertRepeat, listRepeats, lockRepeat, updateRepeat } from '@/data/queries/repeats'
import { defineCommand } from '../command'
import { day, id } from '@/contract/fields'
import { viewOfRepeat } from '@/model/sale/repeats'
import { found, refuse } from '@/contract/refuse'
import { takeSale } from './saleWork'

const input = z.object({
  saleId: id,
  every: z.enum(['week', 'two-weeks', 'month', 'quarter', 'half-year', 'year'], {
    error: 'Say week, two-weeks, month, quarter, half-year or year.',
  }),
  firstOn: day,
  until: day.nullable().optional(),
  times: z.int().min(1, 'At least once.').max(999, 'At most 999 times.').nullable().optional(),
  makes: z.enum(['offer', 'order', 'invoice'], { error: 'Say offer, order or invoice.' }),
  /** Issued by itself; otherwise prepared for a look. */
  byItself: z.boolean().default(false),
})

/** A sale that comes again: its lines are copied on each of its days, at the prices of that day. */
export const startRepeat = defineCommand('start-repeat', input, async (w, r) => {
  const locked = await takeSale(w, r.saleId)
  if (!locked.lines.some((l) => l.quantity.gt(0))) refuse({ code: 'nothing-on-sale' })
  const rhythm: Repeating = {
    every: r.every,
    firstOn: r.firstOn,
    untilDay: r.until ?? null,
    times: r.times ?? null,
  }
  if (r.firstOn < w.today)
    refuse({ code: 'invalid', errors: [{ path: 'firstOn', message: 'The first day is today or later.' }] })
  const nextOn = repeatDay(rhythm, 0)
  if (nextOn === null)
    refuse({ code: 'invalid', errors: [{ path: 'until', message: 'It would end before it begins.' }] })
  const repeatId = await insertRepeat(w.tx, {
    saleId: r.saleId,
    ...rhythm,
    nextOn,
    makes: r.makes,
    byItself: r.byItself,
  })
  return {
    id: repeatId,
    answer: async () => viewOfRepeat(present((await listRepeats(w.tx, { id: repeatId }, w.currency))[0])),
  }
})

/** Stops a repeat: what it made stays, nothing more comes. */
export const stopRepeat = defineCommand('stop-repeat', z.object({ repeatId: id }), async (w, { repeatId }) => {
  await lockRepeat(w.tx, repeatId)
  const [before] = await listRepeats(w.tx, { id: repeatId }, w.currency)
  const repeat = found(before, 'repeat', repeatId)
  if (repeat.nextOn !== null) await updateRepeat(w.tx, repeatId, { nextOn: null, stoppedOn: w.today })
  return {
    id: repeatId,
    answer: async () => viewOfRepeat(present((await listRepeats(w.tx, { id: repeatId }, w.currency))[0])),
  }
})
