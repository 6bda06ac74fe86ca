import { addDays, type Day } from '@/core/day'
import { runningBalances } from '@/core/ledger'
import { addMoney, subtractMoney, zeroMoney, type Money } from '@/core/money'
import { present } from '@/core/present'
import { findAccount } from '@/data/queries/accounts'
import { listAccountLines, sumAccounts } from '@/data/queries/balances'
import type { Where } from '../where'
import { hrefOfSource } from './entrySource'

/** A line of an account, with the balance after it and the page of the paper behind it. */
export interface AccountRow {
  readonly on: Day
  readonly text: string
  readonly href: string
  readonly amount: Money
  readonly balance: Money
}

interface Part {
  readonly from: Day
  readonly to: Day
  readonly limit?: number
  readonly offset?: number
}

export const readAccountName = ({ db }: Where, id: number) => findAccount(db, id)

/** A part of the lines of an account in a span, what stood before them first; null where there is no such account. */
export const readAccount = async (
  { db, currency }: Where,
  id: number,
  { from, to, limit, offset = 0 }: Part,
): Promise<readonly AccountRow[] | null> => {
  const account = await findAccount(db, id)
  if (!account) return null
  const [sums, { lines, before }] = await Promise.all([
    sumAccounts(db, { to: addDays(from, -1) }, currency),
    listAccountLines(db, account.id, { from, to }, { limit, offset }, currency),
  ])
  const start = present(sums.find((s) => s.id === account.id))
  const opening = addMoney(subtractMoney(start.debit, start.credit), before)
  const balances = runningBalances(
    opening,
    lines.map((l) => l.amount),
  )
  return [
    {
      on: from,
      text: offset > 0 ? 'carried over' : 'Opening balance',
      href: `/books/accounts/${id}?to=${addDays(from, -1)}`,
      amount: zeroMoney(currency),
      balance: opening,
    },
    ...lines.map((l, i) => ({
      on: l.on,
      text: l.text,
      href: hrefOfSource({ id: l.entryId, sourceKind: l.sourceKind, sourceId: l.sourceId }),
      amount: l.amount,
      balance: present(balances[i]),
    })),
  ]
}
