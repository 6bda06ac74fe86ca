import { refuseAt } from '@/contract/refuse'
import type { CheckInput } from '@/contract/inputs/buying/bills'
import { listAccounts } from '@/data/queries/accounts'
import { listBankAccounts } from '@/data/queries/bankStatements'
import { findCheck, lastCheckNumber } from '@/data/queries/supplierPayment'
import type { Work } from '../command'

/** Check books usually begin here. */
const FIRST = 1001

/** The number of a check on a bank account: the one that is said, if it was never used, or the one after the highest. */
export const takeCheckNumber = async (w: Work, accountId: number, asked: CheckInput, path: string): Promise<number> => {
  const [accounts, banks] = await Promise.all([listAccounts(w.tx), listBankAccounts(w.tx)])
  const isBank =
    accounts.some((a) => a.id === accountId && a.role === 'bank') || banks.some((b) => b.accountId === accountId)
  if (!isBank) refuseAt(path, 'A check is drawn on a bank account. Pay from the bank, or without a check.')
  const last = await lastCheckNumber(w.tx, accountId)
  if (asked === 'next') return last === null ? FIRST : last + 1
  const used = await findCheck(w.tx, accountId, asked)
  return used
    ? refuseAt(path, `Check ${asked} was written for ${used.number}. The next one is ${(last ?? 0) + 1}.`)
    : asked
}
