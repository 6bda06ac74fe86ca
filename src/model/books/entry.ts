import { balancesBefore } from '@/data/queries/balances'
import { listFiles } from '@/data/queries/files'
import { entriesOfPapers, findEntry, findReversal } from '@/data/queries/ledger'
import type { Where } from '../where'
import { entryRepeatViews } from './entryRepeats'

/** One entry, with what its accounts held before it, what reversed it, how it comes again, and its files. */
export const readEntry = async ({ db, currency }: Where, id: number) => {
  const entry = await findEntry(db, id, currency)
  if (!entry) return null
  const [before, reversedBy, repeats, files] = await Promise.all([
    balancesBefore(db, [id], currency),
    findReversal(db, id),
    entryRepeatViews(db, { entryId: id }),
    listFiles(db, 'entry', id),
  ])
  const isOwn = entry.sourceKind === 'own'
  const mayReverse = isOwn && entry.reversesId === null && reversedBy === null
  return {
    entry,
    before,
    reversedBy,
    repeats,
    files,
    isOwn,
    mayReverse,
    mayRepeat: mayReverse && repeats.every((r) => r.nextOn === null),
  }
}

interface Paper {
  readonly kind: string
  readonly id: number
}

/** What a paper posted, with what each account held before it. */
export const readEntriesOf = (where: Where, paper: Paper) => readEntriesOfAll(where, [paper])

/** The same of several papers, one after the other. */
export const readEntriesOfAll = async ({ db, currency }: Where, papers: readonly Paper[]) => {
  const entries = await entriesOfPapers(db, [...papers], currency)
  const ids = entries.map((e) => e.id)
  return { entries, before: await balancesBefore(db, ids, currency) }
}
