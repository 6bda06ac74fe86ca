import type { Day } from '@/core/day'
import { reverseEntry } from '@/core/ledger'
import { present } from '@/core/present'
import { findEntry, type EntrySource } from '@/data/queries/ledger'
import type { Work } from '../command'

/** Posts an entry the other way round, on its own day or another one; answers the id of what reverses it. */
export const reversePosted = async (
  w: Work,
  entryId: number,
  say: (text: string) => string,
  source: EntrySource,
  onDay?: Day,
): Promise<number> => {
  const { on, text, lines } = present(await findEntry(w.tx, entryId, w.currency))
  const draft = { on, text, lines: lines.map((l) => ({ account: { accountId: l.accountId }, amount: l.amount })) }
  return w.post(reverseEntry(draft, onDay ?? on, say(text)), { ...source, reversesId: entryId })
}
