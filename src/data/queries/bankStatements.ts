import { and, asc, desc, eq, sql } from 'drizzle-orm'
import { money, type Money } from '@/core/money'
import { present } from '@/core/present'
import type { Day } from '@/core/day'
import type { Part } from './inOrder'
import type { SettleKind } from '@/core/bank'
import { insertInto, insertOne } from '../builtOnce'
import type { Db } from '../connect'
import { insertNew } from '../manyRows'
import { heldThrough } from './balances'
import { account, bankAccount, bankLine, bankMatch, bankRule, bankStatement, taxCode } from '../schema'
import { isOneOf } from './search'

export const listBankAccounts = (db: Db) =>
  db
    .select({
      id: bankAccount.id,
      name: bankAccount.name,
      accountId: bankAccount.accountId,
      account: account.name,
      code: account.code,
      isMain: sql<boolean>`coalesce(${account.role} = 'bank', false)`,
      number: bankAccount.number,
      format: bankAccount.format,
      feedSince: bankAccount.feedSince,
      fedThrough: bankAccount.fedThrough,
    })
    .from(bankAccount)
    .innerJoin(account, eq(account.id, bankAccount.accountId))
    .orderBy(asc(bankAccount.id))
export type BankAccountRow = Awaited<ReturnType<typeof listBankAccounts>>[number]

export const insertBankAccount = insertOne(bankAccount)

export const updateBankAccount = async (
  db: Db,
  id: number,
  change: Partial<typeof bankAccount.$inferInsert>,
): Promise<void> => {
  if (Object.keys(change).length > 0) await db.update(bankAccount).set(change).where(eq(bankAccount.id, id))
}

export const insertStatement = insertOne(bankStatement)

/** Writes the lines that are not known yet; answers how many were. */
export const insertLines = insertNew(bankLine)

/** Statements, the last first. */
export const listStatements = (
  db: Db,
  of: { readonly id?: number; readonly bankAccountId?: number } = {},
  part: Part<{ readonly through: Day; readonly id: number }> = {},
) => {
  const all = db
    .select({
      statement: bankStatement,
      bankAccount: bankAccount.name,
      accountId: bankAccount.accountId,
      /** What the account in the books holds on its last day. */
      held: heldThrough(sql`bank_account.account_id`, sql`bank_statement.through`),
      lines: sql<number>`(select count(*)::int from bank_line l where l.statement_id = ${bankStatement.id})`,
      open: sql<number>`(select count(*)::int from bank_line l where l.statement_id = ${bankStatement.id}
        and not exists (select from bank_match m where m.line_id = l.id))`,
    })
    .from(bankStatement)
    .innerJoin(bankAccount, eq(bankAccount.id, bankStatement.bankAccountId))
    .where(
      and(
        of.id === undefined ? undefined : eq(bankStatement.id, of.id),
        of.bankAccountId === undefined ? undefined : eq(bankStatement.bankAccountId, of.bankAccountId),
        part.after &&
          sql`(${bankStatement.through}, ${bankStatement.id}) < (${part.after.through}, ${part.after.id}::int)`,
      ),
    )
    .orderBy(desc(bankStatement.through), desc(bankStatement.id))
    .offset(part.offset ?? 0)
  return part.limit === undefined ? all : all.limit(part.limit)
}
export type StatementRow = Awaited<ReturnType<typeof listStatements>>[number]

export const updateStatement = async (
  db: Db,
  id: number,
  change: Partial<typeof bankStatement.$inferInsert>,
): Promise<void> => {
  await db.update(bankStatement).set(change).where(eq(bankStatement.id, id))
}

export interface BankLineRow {
  readonly id: number
  readonly statementId: number
  readonly bankAccountId: number
  readonly on: Day
  readonly amount: Money
  readonly text: string
  readonly bankId: string
  readonly settled: boolean
}

/** Lines of a statement, or of all that are open on an account, in their order. */
export const listLines = async (
  db: Db,
  of: { readonly id?: number; readonly statementId?: number; readonly openNotOn?: number },
  currency: string,
): Promise<BankLineRow[]> => {
  const settled = sql<boolean>`exists (select from bank_match m where m.line_id = bank_line.id)`
  const rows = await db
    .select({ line: bankLine, settled })
    .from(bankLine)
    .where(
      and(
        of.id === undefined ? undefined : eq(bankLine.id, of.id),
        of.statementId === undefined ? undefined : eq(bankLine.statementId, of.statementId),
        of.openNotOn === undefined ? undefined : sql`${bankLine.bankAccountId} <> ${of.openNotOn} and not ${settled}`,
      ),
    )
    .orderBy(asc(bankLine.onDay), asc(bankLine.id))
  return rows.map(({ line: l, settled: is }) => ({
    id: l.id,
    statementId: l.statementId,
    bankAccountId: l.bankAccountId,
    on: l.onDay,
    amount: money(l.amount, currency),
    text: l.text,
    bankId: l.bankId,
    settled: is,
  }))
}

export const listMatches = (db: Db, lineIds: readonly number[]) =>
  db
    .select({ match: bankMatch, entry: sql<string>`(select e.text from entry e where e.id = bank_match.entry_id)` })
    .from(bankMatch)
    .where(isOneOf(bankMatch.lineId, lineIds))
    .orderBy(asc(bankMatch.id))
export type MatchRow = Awaited<ReturnType<typeof listMatches>>[number]['match']

export const insertMatches = insertInto(bankMatch)

export const deleteMatches = async (db: Db, lineId: number): Promise<void> => {
  await db.delete(bankMatch).where(eq(bankMatch.lineId, lineId))
}

/** Whether a line of a statement is an entry. */
export const isMatched = async (db: Db, entryId: number): Promise<boolean> =>
  (await db.select({ id: bankMatch.id }).from(bankMatch).where(eq(bankMatch.entryId, entryId)).limit(1)).length > 0

export interface PostedRow {
  readonly entryId: number
  readonly kind: SettleKind
  readonly id: number
  readonly on: Day
  /** What of it no line is yet, on the account; positive came in. */
  readonly amount: Money
  readonly name: string
  readonly number: string
  readonly text: string
}

const KINDS: Readonly<Record<string, SettleKind>> = {
  receipt: 'receipt',
  'banking-slip': 'banking-slip',
  'card-settlement': 'card-takings',
  'supplier-payment': 'supplier-payment',
}

/**
 * Entries on an account that no line is yet, or a part of them: of a span, or one. One that was taken back on its own day is none, nor
 * is what took it back.
 */
export const listPosted = async (
  db: Db,
  of: { readonly accountId: number; readonly from?: Day; readonly to?: Day; readonly entryIds?: readonly number[] },
  currency: string,
): Promise<PostedRow[]> => {
  const rows = await db.execute<{
    id: number
    on_day: Day
    text: string
    source_kind: string
    source_id: number | null
    reverses_id: number | null
    amount: string
    matched: string
    name: string | null
    number: string | null
  }>(sql`
    select e.id, e.on_day::text, e.text, e.source_kind, e.source_id, e.reverses_id, l.amount::text,
           coalesce((select sum(m.amount) from bank_match m join bank_line b on b.id = m.line_id join bank_account a on a.id = b.bank_account_id
                      where m.entry_id = e.id and a.account_id = ${of.accountId}), 0)::text as matched,
           coalesce(c.name, s.name) as name, coalesce(r.number, p.number, k.number, t.number) as number
      from (select entry_id, sum(amount) as amount from entry_line where account_id = ${of.accountId}
              ${of.entryIds ? sql`and ${isOneOf(sql`entry_id`, of.entryIds)}` : sql`and on_day between ${of.from} and ${of.to}`}
             group by 1) l
      join entry e on e.id = l.entry_id
      left join customer c on c.id = e.customer_id
      left join receipt r on e.source_kind = 'receipt' and r.id = e.source_id
      left join supplier_payment p on e.source_kind = 'supplier-payment' and p.id = e.source_id
      left join supplier s on s.id = p.supplier_id
      left join banking_slip k on e.source_kind = 'banking-slip' and k.id = e.source_id
      left join card_settlement t on e.source_kind = 'card-settlement' and t.id = e.source_id
     where l.amount <> 0 and not exists (select from entry x where x.reverses_id = e.id and x.on_day = e.on_day)
       and not exists (select from entry x where x.id = e.reverses_id and x.on_day = e.on_day)
     order by e.on_day, e.id`)
  return rows.flatMap((r): PostedRow[] => {
    const whole = BigInt(r.amount)
    const left = (whole < 0n ? -whole : whole) - BigInt(r.matched)
    if (left <= 0n) return []
    const kind = r.reverses_id === null && r.source_id !== null ? (KINDS[r.source_kind] ?? 'entry') : 'entry'
    return [
      {
        entryId: r.id,
        kind,
        id: kind === 'entry' ? r.id : present(r.source_id),
        on: r.on_day,
        amount: money(whole < 0n ? -left : left, currency),
        name: r.name ?? '',
        number: r.number ?? '',
        text: r.text,
      },
    ]
  })
}

/** The entry of a document on its own day: what a line is when it is that document. */
export const findEntryOf = async (db: Db, kind: SettleKind, id: number): Promise<number | null> => {
  const source = Object.entries(KINDS).find(([, k]) => k === kind)?.[0]
  if (!source) return id
  const [row] = await db.execute<{ id: number }>(
    sql`select id from entry where source_kind = ${source} and source_id = ${id} and reverses_id is null order by id limit 1`,
  )
  return row?.id ?? null
}

export interface RuleRow {
  readonly id: number
  readonly contains: string
  readonly accountId: number
  readonly account: string
  readonly taxCode: string | null
  readonly always: boolean
}

export const listBankRules = (db: Db): Promise<RuleRow[]> =>
  db
    .select({
      id: bankRule.id,
      contains: bankRule.contains,
      accountId: bankRule.accountId,
      account: account.name,
      taxCode: taxCode.code,
      always: bankRule.always,
    })
    .from(bankRule)
    .innerJoin(account, eq(account.id, bankRule.accountId))
    .leftJoin(taxCode, eq(taxCode.id, bankRule.taxCodeId))
    .orderBy(asc(bankRule.contains))

export const insertBankRule = insertOne(bankRule)

export const deleteBankRule = async (db: Db, id: number): Promise<void> => {
  await db.delete(bankRule).where(eq(bankRule.id, id))
}

/** What texts meant lately: the account each line was put on by the owner, the newest first. */
export const listMeant = async (db: Db): Promise<Omit<RuleRow, 'id' | 'always'>[]> =>
  db.execute<{ contains: string; accountId: number; account: string; taxCode: string | null }>(sql`
    select l.text as contains, m.account_id as "accountId", a.name as account, t.code as "taxCode"
      from bank_match m join bank_line l on l.id = m.line_id join account a on a.id = m.account_id left join tax_code t on t.id = m.tax_code_id
     where m.kind = 'account' and not a.hidden order by m.id desc limit 2000`)

/** Locks a bank account until the transaction ends: its statements come to one hand at a time. */
export const lockBankAccount = async (db: Db, id: number): Promise<void> => {
  await db.select({ id: bankAccount.id }).from(bankAccount).where(eq(bankAccount.id, id)).for('update')
}

/** What the last statement of an account closed with; null where none says so. */
export const findLastClosing = async (db: Db, bankAccountId: number): Promise<bigint | null> => {
  const [row] = await db
    .select({ closing: bankStatement.closing })
    .from(bankStatement)
    .where(and(eq(bankStatement.bankAccountId, bankAccountId), sql`${bankStatement.closing} is not null`))
    .orderBy(desc(bankStatement.through), desc(bankStatement.id))
    .limit(1)
  return row?.closing ?? null
}

/** By what the bank names the lines of an account that came. */
export const listBankIds = async (db: Db, bankAccountId: number): Promise<ReadonlySet<string>> =>
  new Set(
    (await db.select({ bankId: bankLine.bankId }).from(bankLine).where(eq(bankLine.bankAccountId, bankAccountId))).map(
      (r) => r.bankId,
    ),
  )
