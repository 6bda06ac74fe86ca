import type { PayFromInput } from '@/contract/payFrom'
import { listAccounts } from '@/data/queries/accounts'
import { ownAccount } from './ownAccount'
import type { Work } from '../command'

/** Which account money that is paid leaves; out of the owner's own pocket it is capital they put in. */
export const accountFrom = async (w: Work, from: PayFromInput, path: string): Promise<number> => {
  if (from === 'bank' || from === 'drawer') return w.accountId(from)
  if (from === 'own-pocket') return w.accountId('owner-capital')
  const now = 'Pay from the bank, the drawer, or an account of your own.'
  return ownAccount(await listAccounts(w.tx), from, { path, now }).id
}
