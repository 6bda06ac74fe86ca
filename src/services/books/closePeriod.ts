import { closePeriodInput, reopenPeriodInput } from '@/contract/inputs/books/closePeriod'
import { z } from 'zod'
import type { Day } from '@/core/day'
import { err, type Result } from '@/core/result'
import { updateBusiness } from '@/data/queries/business'
import { insertClosing } from '@/data/queries/closings'
import { listYearEnds } from '@/data/queries/yearEnds'
import { defineCommand, parse, type Command, type Till } from '../command'
import type { Failure } from '@/contract/failure'
import { refuse, Refusal } from '@/contract/refuse'
import { provePassphrase } from '../access/passphrase'

/** Closes the books through a day before today: nothing may be dated on or before it any more. */
export const closePeriod = defineCommand('close-period', closePeriodInput, async (w, { through, reason }) => {
  const closed = w.business.closedThrough
  if (through >= w.today) refuse({ code: 'close-before-today', today: w.today })
  if (closed && through <= closed) refuse({ code: 'close-order', through: closed })
  await updateBusiness(w.tx, { closedThrough: through })
  await insertClosing(w.tx, { kind: 'closed', through, reason, onDay: w.today })
  return { id: 1, answer: async () => ({ closedThrough: through }) }
})

const reopened = defineCommand('reopen-period', reopenPeriodInput, async (w, { through, reason }) => {
  const closed = w.business.closedThrough
  if (!closed || (through !== null && through >= closed)) refuse({ code: 'not-closed', through: closed })
  const year = (await listYearEnds(w.tx)).find((y) => through === null || through < `${y.year}-12-31`)?.year
  if (year !== undefined) refuse({ code: 'year-is-closed', year })
  await updateBusiness(w.tx, { closedThrough: through })
  await insertClosing(w.tx, { kind: 'reopened', through, reason, onDay: w.today })
  return { id: 1, answer: async () => ({ closedThrough: through }) }
})

const withPassphrase = reopenPeriodInput.extend({ passphrase: z.string().max(200) })

/** Proves the owner before anything is locked: comparing a passphrase takes its time on purpose. */
const proved = async (till: Till, input: unknown): Promise<Result<unknown, Failure>> => {
  try {
    const { passphrase, ...rest } = parse(withPassphrase, input)
    const is = await provePassphrase(till.db, passphrase)
    return is.ok ? { ok: true, value: rest } : is
  } catch (problem) {
    if (problem instanceof Refusal) return err(problem.failure)
    throw problem
  }
}

type Reopen = Command<z.input<typeof withPassphrase>, { readonly closedThrough: Day | null }>

/** Takes a closing back, down to an earlier day, with the passphrase and a reason. Both stand in the log of closings. */
export const reopenPeriod: Reopen = {
  name: 'reopen-period',
  schema: withPassphrase,
  run: async (till, input) => {
    const is = await proved(till, input)
    return is.ok ? reopened.run(till, is.value as z.input<typeof reopenPeriodInput>) : is
  },
  answer: async (till, input, key) => {
    const is = await proved(till, input)
    return is.ok ? reopened.answer(till, is.value, key) : is
  },
  preview: async (till, input) => {
    const is = await proved(till, input)
    return is.ok ? reopened.preview(till, is.value) : is
  },
}
