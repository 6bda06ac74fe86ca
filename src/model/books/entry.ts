import { balancesBefore } from '@/data/queries/balances'
import { entriesOfPapers, findEntry } from '@/data/queries/ledger'
import type { Where } from '../where'

/** One entry, with what its accounts held before it. */
export const readEntry = async ({ db, currency }: Where, id: number) => {
  const entry = await findEntry(db, id, currency)
  return entry && { entry, before: await balancesBefore(db, [entry.id], currency) }
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
