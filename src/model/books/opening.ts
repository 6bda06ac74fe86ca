import { isKeptByPapers } from '@/core/ledger'
import { listAccounts } from '@/data/queries/accounts'
import { listEntries } from '@/data/queries/ledger'
import { tracksPieces } from '@/data/queries/goods'
import { listPlaces } from '@/data/queries/stock'
import type { Where } from '../where'

/** What entering opening balances needs to know, and what was entered so far, the last first. */
export const readOpeningPage = async ({ db, business, today, currency }: Where) => {
  const [accounts, places, pieces, entered] = await Promise.all([
    listAccounts(db),
    listPlaces(db),
    tracksPieces(db),
    listEntries(db, { source: 'opening' }, { limit: 5 }, currency),
  ])
  return {
    on: business.openedOn < today ? business.openedOn : today,
    accounts: accounts
      .filter((a) => !a.hidden && !isKeptByPapers(a) && a.role !== 'opening-balances')
      .map(({ code, name }) => ({ code, name })),
    places: places.map(({ id, name }) => ({ id, name })),
    pieces,
    entered: entered.map(({ id, on, text }) => ({ id, on, text })),
  }
}
