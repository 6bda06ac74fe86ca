import { canFinish } from '@/core/bank'
import { money, subtractMoney, toDecimalString, type Money } from '@/core/money'
import { rowsBy } from '@/core/rowsBy'
import type { Db } from '@/data/connect'
import {
  listBankAccounts,
  listBankRules,
  listLines,
  listMatches,
  listStatements,
  type BankLineRow,
  type StatementRow,
} from '@/data/queries/bankStatements'
import { sumAccount } from '@/data/queries/balances'
import type { Asked, Where } from '../where'

export const bankAccountViews = async (db: Db, { business, today }: Pick<Asked, 'business' | 'today'>) =>
  Promise.all(
    (await listBankAccounts(db)).map(async ({ isMain: _, feedSince, ...b }) => ({
      ...b,
      feed: feedSince !== null,
      format: b.format ?? null,
      balance: toDecimalString(await sumAccount(db, b.accountId, today, business.currency)),
    })),
  )

export const bankAccountView = async (db: Db, id: number, where: Pick<Asked, 'business' | 'today'>) =>
  (await bankAccountViews(db, where)).find((b) => b.id === id) ?? null

type Matches = Awaited<ReturnType<typeof listMatches>>

const settleView = ({ match: m, entry }: Matches[number], currency: string) => ({
  kind: m.kind,
  id: m.kind === 'entry' || m.kind === 'transfer' || m.kind === 'account' ? m.entryId : m.madeId,
  accountId: m.accountId,
  entryId: m.entryId,
  amount: toDecimalString(money(m.amount, currency)),
  text: entry,
})

const lineView = (l: BankLineRow, matches: readonly Matches[number][], currency: string) => ({
  id: l.id,
  on: l.on,
  amount: toDecimalString(l.amount),
  text: l.text,
  bankId: l.bankId,
  state: l.settled ? ('settled' as const) : ('open' as const),
  settles: matches.map((m) => settleView(m, currency)),
})

/** A line of a statement with what it is. */
export const bankLineView = async (db: Db, id: number, currency: string) => {
  const [line] = await listLines(db, { id }, currency)
  return line ? lineView(line, await listMatches(db, [id]), currency) : null
}

/** By how much the closing balance of a statement is off the account of its day; null where the file says none. */
const differenceOf = ({ statement: s, held }: StatementRow, currency: string): Money | null =>
  s.closing === null ? null : subtractMoney(money(s.closing, currency), money(BigInt(held), currency))

const headOf = (row: StatementRow, currency: string) => {
  const { statement: s, bankAccount, lines, open } = row
  const difference = differenceOf(row, currency)
  const text = (minor: bigint | null) => (minor === null ? null : toDecimalString(money(minor, currency)))
  return {
    id: s.id,
    bankAccountId: s.bankAccountId,
    bankAccount,
    name: s.name,
    format: s.format,
    importedOn: s.importedOn,
    from: s.fromDay,
    through: s.through,
    opening: text(s.opening),
    closing: text(s.closing),
    doubles: s.doubles,
    difference: difference && toDecimalString(difference),
    count: lines,
    open,
    canFinish: s.doneOn === null && canFinish(open, difference),
    done: s.doneOn !== null,
    doneOn: s.doneOn,
  }
}

/** Statements, the last first, without their lines. */
export const statementViews = async (
  db: Db,
  of: { readonly bankAccountId?: number },
  currency: string,
  part: Parameters<typeof listStatements>[2] = {},
) => (await listStatements(db, of, part)).map((row) => headOf(row, currency))

/** A statement with its lines, and what each of them is. */
export const statementView = async (db: Db, id: number, currency: string) => {
  const [row] = await listStatements(db, { id })
  if (!row) return null
  const lines = await listLines(db, { statementId: id }, currency)
  const matches = await listMatches(
    db,
    lines.map((l) => l.id),
  )
  const byLine = rowsBy(matches, (m) => m.match.lineId)
  return {
    ...headOf(row, currency),
    lines: lines.map((l) => lineView(l, byLine.get(l.id) ?? [], currency)),
  }
}
export type StatementView = NonNullable<Awaited<ReturnType<typeof statementView>>>

/** What keeps a statement from being done: open lines, and the difference of its balance. */
export const whatIsLeft = (row: StatementRow, currency: string) => ({
  open: row.open,
  difference: differenceOf(row, currency),
})

export const bankRuleViews = async (db: Db) => listBankRules(db)

/** A statement on the list of them. */
export interface StatementListRow {
  readonly id: number
  readonly bankAccount: string
  readonly name: string
  readonly from: StatementRow['statement']['fromDay']
  readonly through: StatementRow['statement']['through']
  readonly count: number
  readonly open: number
  readonly closing: Money | null
  readonly difference: Money | null
  readonly doneOn: StatementRow['statement']['doneOn']
}

export const readStatements = async (
  { db, currency }: Where,
  part: Parameters<typeof listStatements>[2],
): Promise<readonly StatementListRow[]> =>
  (await listStatements(db, {}, part)).map((row) => ({
    id: row.statement.id,
    bankAccount: row.bankAccount,
    name: row.statement.name,
    from: row.statement.fromDay,
    through: row.statement.through,
    count: row.lines,
    open: row.open,
    closing: row.statement.closing === null ? null : money(row.statement.closing, currency),
    difference: differenceOf(row, currency),
    doneOn: row.statement.doneOn,
  }))

/** A line of a statement on its list. */
export interface BankLineListRow {
  readonly id: number
  readonly on: BankLineRow['on']
  readonly text: string
  readonly amount: Money
  readonly settled: boolean
  readonly is: string
}

export const readBankLines = async (
  { db, currency }: Where,
  statementId: number,
): Promise<readonly BankLineListRow[]> => {
  const lines = await listLines(db, { statementId }, currency)
  const matches = await listMatches(
    db,
    lines.map((l) => l.id),
  )
  const byLine = rowsBy(matches, (m) => m.match.lineId)
  const said = (of: number): string => (byLine.get(of) ?? []).map((m) => m.entry).join(' + ')
  return lines.map((l) => ({ id: l.id, on: l.on, text: l.text, amount: l.amount, settled: l.settled, is: said(l.id) }))
}
