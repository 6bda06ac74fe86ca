import type { z } from 'zod'
import { remindInput } from '@/contract/inputs/chase/remind'
import { sumMoney } from '@/core/money'
import { lockCustomers } from '@/data/queries/joinCustomers'
import { defineCommand, type Work } from '../command'
import { customerFor } from '../people/customerFor'
import { writeLetterIn } from '../post/writeLetter'
import { refuse } from '@/contract/refuse'
import { readNextReminder } from '@/model/receivables/nextReminder'
import { listOpenDues } from '@/data/queries/due'
import { insertReminder, listReminders } from '@/data/queries/reminder'

type Reminding = z.infer<typeof remindInput>

const remindIn = async (w: Work, { customerId, ...wording }: Reminding): Promise<{ stage: number; postId: number }> => {
  const customer = await customerFor(w, customerId)
  await lockCustomers(w.tx, [customerId])
  const next = await readNextReminder(w.tx, customerId, w.business, w.today)
  if (!next) return refuse({ code: 'nothing-late', name: customer.name })
  if (next.wait !== null) {
    const [last] = await listReminders(w.tx, customerId)
    return last
      ? refuse({ code: 'reminded-lately', on: last.on, again: next.wait })
      : refuse({ code: 'nothing-late', name: customer.name })
  }
  const late = (await listOpenDues(w.tx, customerId, w.currency)).filter((d) => d.dueOn < w.today)
  const postId = await writeLetterIn(w, { paper: 'reminder', paperId: customerId, stage: next.stage, ...wording })
  await insertReminder(w.tx, {
    customerId,
    stage: next.stage,
    onDay: w.today,
    amount: sumMoney(
      late.map((d) => d.open),
      w.currency,
    ).minor,
    postId,
  })
  return { stage: next.stage, postId }
}

/** Reminds a customer of what is late, in the wording of the stage that is next or as the owner says it. Never two in one stage's time. */
export const remind = defineCommand('remind', remindInput, async (w, reminding) => {
  const { stage, postId } = await remindIn(w, reminding)
  return { id: postId, answer: async () => ({ customerId: reminding.customerId, stage, postId }) }
})
