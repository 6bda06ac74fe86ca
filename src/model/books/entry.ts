import type { Db } from '@/data/connect'
import { balancesBefore } from '@/data/queries/balances'
import { entriesOfPapers, findEntry } from '@/data/queries/ledger'
import type { Where } from '../where'

/** Entries as they stand in the books, with what each account held before them. */
const withBalances = async (db: Db, entries: Awaited<ReturnType<typeof entriesOfPapers>>, currency: string) => ({
  entries,
  before: await balancesBefore(
    db,
    entries.map((e) => e.id),
    currency,
  ),
})

/** One entry, with what its accounts held before it. */
export const readEntry = async ({ db, currency }: Where, id: number) => {
  const entry = await findEntry(db, id, currency)
  return entry && { entry, before: await balancesBefore(db, [entry.id], currency) }
}

/** What a paper posted. */
export const readEntriesOf = async ({ db, currency }: Where, paper: { readonly kind: string; readonly id: number }) =>
  withBalances(db, await entriesOfPapers(db, [paper], currency), currency)
