import { found, refuseAt } from '@/contract/refuse'
import { isKeptByPapers } from '@/core/ledger'
import type { Account } from '@/data/queries/accounts'

/** The account of an id, where the owner may post to it by hand: one that documents keep would no longer tie. Says what now. */
export const ownAccount = (
  accounts: readonly Account[],
  id: number,
  { path, now }: { readonly path: string; readonly now: string },
): Account => {
  const account = found(
    accounts.find((a) => a.id === id),
    'account',
    id,
  )
  if (account.hidden) refuseAt(path, `${account.name} is hidden. ${now}`)
  return isKeptByPapers(account) ? refuseAt(path, `${account.name} is kept by documents. ${now}`) : account
}
