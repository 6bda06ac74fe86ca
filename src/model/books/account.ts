import { addDays, type Day } from '@/core/day'
import { mayTakeIn, naturally, runningBalances } from '@/core/ledger'
import { addMoney, subtractMoney, zeroMoney, type Money } from '@/core/money'
import { present } from '@/core/present'
import { findAccount, findAccountUse, isOfTax, listAccounts, type Account } from '@/data/queries/accounts'
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

/** An account as the HTTP interface tells it. */
export const accountView = ({ id, code, name, kind, role, hidden }: Account) => ({
  id,
  code,
  name,
  type: kind,
  kind,
  role,
  hidden,
})

/** An account of the chart with what it holds, positive on its usual side. */
export interface ChartRow extends Account {
  readonly holds: Money
}

/** The chart of accounts, hidden ones too, with what each holds on a day. */
export const readChart = async ({ db, currency }: Where, asOf: Day): Promise<readonly ChartRow[]> => {
  const [accounts, sums] = await Promise.all([listAccounts(db), sumAccounts(db, { to: asOf }, currency)])
  return accounts.map((a) => ({ ...a, holds: naturally(present(sums.find((s) => s.id === a.id))) }))
}

interface Part {
  readonly from: Day
  readonly to: Day
  readonly limit?: number
  readonly offset?: number
}

export const readAccountName = ({ db }: Where, id: number) => findAccount(db, id)

/** The accounts that one can be merged into: of its type, and not kept by documents. None where documents, taxes or a bank need it. */
export const readMergeTargets = async ({ db }: Where, id: number) => {
  const [accounts, ofTax, use] = await Promise.all([listAccounts(db), isOfTax(db, id), findAccountUse(db, id)])
  const from = accounts.find((a) => a.id === id)
  if (!from || from.role !== null || ofTax || use?.kind === 'bank') return []
  return accounts
    .filter((a) => a.id !== id && mayTakeIn(from, a))
    .map(({ id: one, code, name }) => ({ id: one, code, name }))
}

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
