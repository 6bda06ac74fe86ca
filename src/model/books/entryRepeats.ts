import type { Db } from '@/data/connect'
import { listEntryRepeats, type EntryRepeatRow } from '@/data/queries/entryRepeats'
import { rhythmView } from '../rhythm'

const viewOf = (r: EntryRepeatRow) => ({
  id: r.id,
  entryId: r.entryId,
  turned: r.turned,
  ...rhythmView(r),
})

/** How entries come again, the next to come first. */
export const entryRepeatViews = async (db: Db, of: Parameters<typeof listEntryRepeats>[1]) =>
  (await listEntryRepeats(db, of)).map(viewOf)

export const entryRepeatView = async (db: Db, id: number) => (await entryRepeatViews(db, { id }))[0] ?? null
