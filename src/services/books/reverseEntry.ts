import { reverseEntryInput } from '@/contract/inputs/books/writeEntry'
import { found, refuse, refuseAt } from '@/contract/refuse'
import type { Day } from '@/core/day'
import { present } from '@/core/present'
import { listEntryRepeats, updateEntryRepeat } from '@/data/queries/entryRepeats'
import { findEntry, lockEntry, type EntryView } from '@/data/queries/ledger'
import { viewOfEntry } from '@/model/books/entryView'
import { refuseMatched } from '../bank/refuseMatched'
import { defineCommand, paperDay, type Work } from '../command'
import { reversePosted } from './reversePosted'

interface Reversal {
  readonly entryId: number
  readonly on: Day
  /** Empty where it was meant from the beginning. */
  readonly why: string
}

/** An entry of the owner's own; all others are corrected by what posted them. */
export const ownEntry = async (w: Work, entryId: number): Promise<EntryView> => {
  const entry = found(await findEntry(w.tx, entryId, w.currency), 'entry', entryId)
  if (entry.sourceKind !== 'own')
    refuseAt('entryId', 'A document posted this entry. Correct or void that document instead.')
  return entry
}

/** Posts an own entry the other way round, once, on its day or later. */
export const postReversal = async (w: Work, { entryId, on, why }: Reversal): Promise<number> => {
  const by = await lockEntry(w.tx, entryId)
  if (by !== null) refuse({ code: 'entry-reversed', by })
  const entry = await ownEntry(w, entryId)
  if (entry.reversesId !== null) refuseAt('entryId', 'This entry reverses another one. Post a new one instead.')
  if (on < entry.on) refuseAt('on', 'It cannot be reversed before its own day.')
  await refuseMatched(w, entryId)
  const say = (text: string) => `Reversed: ${text}${why === '' ? '' : `. ${why}`}`.slice(0, 500)
  return reversePosted(w, entryId, say, { kind: 'own', id: null }, on)
}

/** Takes an entry of the owner's own back: the same the other way round. What of it was still to come comes no more. */
export const reverseOwnEntry = defineCommand('reverse-entry', reverseEntryInput, async (w, { entryId, on, reason }) => {
  const backId = await postReversal(w, { entryId, on: paperDay(w, on), why: reason })
  for (const r of await listEntryRepeats(w.tx, { entryId, lock: true }))
    if (r.nextOn !== null) await updateEntryRepeat(w.tx, r.id, { nextOn: null, stoppedOn: w.today })
  return { id: backId, answer: async () => viewOfEntry(present(await findEntry(w.tx, backId, w.currency))) }
})
