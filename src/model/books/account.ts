import { addDays, type Day } from '@/core/day'
import { runningBalances } from '@/core/ledger'
import { addMoney, subtractMoney } from '@/core/money'
import { present } from '@/core/present'
import { findAccount } from '@/data/queries/accounts'
import { listAccountLines, sumAccounts } from '@/data/queries/balances'
import type { Where } from '../where'

interface Part {
  readonly from: Day
  readonly to: Day
  readonly limit: number
  readonly skip: number
}

/** An account with a part of its lines in a span, each with the balance after it; null where there is no such account. */
export const readAccount = async ({ db, currency }: Where, id: number, { from, to, limit, skip }: Part) => {
  const account = await findAccount(db, id)
  if (!account) return null
  const [sums, { lines, count, before }] = await Promise.all([
    sumAccounts(db, { to: addDays(from, -1) }, currency),
    listAccountLines(db, account.id, { from, to }, { limit, skip }, currency),
  ])
  const start = present(sums.find((s) => s.id === account.id))
  const opening = addMoney(subtractMoney(start.debit, start.credit), before)
  const balances = runningBalances(
    opening,
    lines.map((l) => l.amount),
  )
  return {
    account,
    count,
    opening,
    rows: lines.map((l, i) => ({ ...l, balance: present(balances[i]) })),
    balance: balances.at(-1) ?? opening,
  }
}
