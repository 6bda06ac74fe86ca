import { entryRepeatInput, startEntryRepeatInput } from '@/contract/inputs/books/writeEntry'
import { found, refuse, refuseAt } from '@/contract/refuse'
import type { Day } from '@/core/day'
import { makeEntry } from '@/core/ledger'
import { present } from '@/core/present'
import { repeatDay } from '@/core/sale'
import { listAccounts } from '@/data/queries/accounts'
import {
  insertEntryRepeat,
  insertEntryRepeatRun,
  listEntryRepeats,
  updateEntryRepeat,
} from '@/data/queries/entryRepeats'
import { lockEntry, type EntryView } from '@/data/queries/ledger'
import { entryRepeatView } from '@/model/books/entryRepeats'
import { defineCommand, paperDay, type Till, type Work } from '../command'
import { beginRhythm, openDay, runAllDue } from '../repeating'
import { ownAccount } from './ownAccount'
import { ownEntry, postReversal } from './reverseEntry'

const answerRepeat = (w: Work, id: number) => ({
  id,
  answer: async () => present(await entryRepeatView(w.tx, id)),
})

/** An own entry that comes again: depreciation, a standing transfer. */
export const startEntryRepeat = defineCommand('start-entry-repeat', startEntryRepeatInput, async (w, r) => {
  const reversed = await lockEntry(w.tx, r.entryId)
  const entry = await ownEntry(w, r.entryId)
  if (reversed !== null) refuse({ code: 'entry-reversed', by: reversed })
  if (entry.reversesId !== null) refuseAt('entryId', 'This entry reverses another one. Repeat one of your own.')
  if ((await listEntryRepeats(w.tx, { entryId: r.entryId })).some((x) => x.nextOn !== null))
    refuse({ code: 'taken', what: 'repeat', value: entry.text })
  return answerRepeat(w, await insertEntryRepeat(w.tx, { entryId: r.entryId, ...beginRhythm(w, r) }))
})

/** Nothing more is posted; what was posted stays. */
export const stopEntryRepeat = defineCommand('stop-entry-repeat', entryRepeatInput, async (w, { repeatId }) => {
  const repeat = found((await listEntryRepeats(w.tx, { id: repeatId, lock: true }))[0], 'repeat', repeatId)
  if (repeat.nextOn !== null) await updateEntryRepeat(w.tx, repeatId, { nextOn: null, stoppedOn: w.today })
  return answerRepeat(w, repeatId)
})

/** The same once more, on a day of its own. */
const postAgain = async (w: Work, { text, lines }: EntryView, on: Day): Promise<number> => {
  const accounts = await listAccounts(w.tx)
  const same = lines.map(({ accountId, amount }) => {
    ownAccount(accounts, accountId, { path: 'entryId', now: 'Show it again first, or stop the repeat.' })
    return { account: { accountId }, amount }
  })
  return w.post(makeEntry(on, text, same), { kind: 'own', id: null })
}

/** Posts what one repeat is due to post on its next day. The database keeps it from being posted twice. */
export const runEntryRepeat = defineCommand('run-entry-repeat', entryRepeatInput, async (w, { repeatId }) => {
  const repeat = found((await listEntryRepeats(w.tx, { id: repeatId, lock: true }))[0], 'repeat', repeatId)
  if (!repeat.nextOn || repeat.nextOn > w.today) return { id: 0, answer: async () => null }
  const on = paperDay(w, openDay(w, repeat.nextOn))
  const entryId = repeat.turned
    ? await postReversal(w, { entryId: repeat.entryId, on, why: '' })
    : await postAgain(w, await ownEntry(w, repeat.entryId), on)
  await insertEntryRepeatRun(w.tx, { repeatId, onDay: repeat.nextOn, entryId })
  await updateEntryRepeat(w.tx, repeatId, { done: repeat.done + 1, nextOn: repeatDay(repeat, repeat.done + 1) })
  return { id: entryId, answer: async () => null }
})

/** Posts every entry that is due to come again, or to be turned round. */
export const runDueEntryRepeats = async (till: Till): Promise<number> =>
  (await runAllDue(till, () => listEntryRepeats(till.db, { dueOn: till.today }), runEntryRepeat)).length
