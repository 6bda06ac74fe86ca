import { bringBackNextInput, dropNextInput, putOffNextInput } from '@/contract/inputs/sales/markNext'
import type { Day } from '@/core/day'
import { present } from '@/core/present'
import { dropNextMark, keepNextMark } from '@/data/queries/nextMarks'
import { defineCommand, type Work } from '../command'
import { refuse, refuseAt } from '@/contract/refuse'
import { answerSale, takeSale } from './saleWork'
import { readStories } from '@/model/sale/readStories'

const mark = async (w: Work, saleId: number, step: string, how: { until: Day | null; reason: string }) => {
  await takeSale(w, saleId)
  const story = present((await readStories(w.tx, [saleId], w.business, w.today))[0])
  const there = story.next.find((n) => n.action === step)
  if (!there) return refuse({ code: 'no-such-step', step })
  await keepNextMark(w.tx, { saleId, action: step, since: there.since, markedOn: w.today, ...how })
  return answerSale(w, saleId)
}

/** Puts a next step off: it comes back on the day, or when it is another step. */
export const putOffNext = defineCommand('put-off-next', putOffNextInput, async (w, { saleId, action: step, until }) =>
  until <= w.today ? refuseAt('until', 'Put it off until a later day.') : mark(w, saleId, step, { until, reason: '' }),
)

/** Does away with a next step, with a reason: it does not come back unless something new happens. */
export const dropNext = defineCommand('drop-next', dropNextInput, async (w, { saleId, action: step, reason }) =>
  mark(w, saleId, step, { until: null, reason }),
)

/** Brings a step back that was put off or done away with: it waits again from now on. */
export const bringBackNext = defineCommand(
  'bring-back-next',
  bringBackNextInput,
  async (w, { saleId, action: step }) => {
    await takeSale(w, saleId)
    await dropNextMark(w.tx, saleId, step)
    return answerSale(w, saleId)
  },
)
