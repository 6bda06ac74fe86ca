import { asc, eq, sql } from 'drizzle-orm'
import { isCashRole, type AccountKind, type AccountRole } from '@/core/ledger'
import type { Db } from '../connect'
import { account, goods, taxComponent } from '../schema'

export interface Account {
  readonly id: number
  readonly code: string
  readonly name: string
  readonly kind: AccountKind
  readonly role: AccountRole | null
  /** Not offered any more. */
  readonly hidden: boolean
}

const columns = {
  id: account.id,
  code: account.code,
  name: account.name,
  kind: account.kind,
  role: account.role,
  hidden: account.hidden,
}
const mapAccount = (row: Omit<Account, 'role'> & { role: string | null }): Account => ({
  ...row,
  role: row.role as AccountRole | null,
})

export const listAccounts = async (db: Db): Promise<Account[]> =>
  (await db.select(columns).from(account).orderBy(asc(account.code))).map(mapAccount)

export const findAccount = async (db: Db, id: number): Promise<Account | null> => {
  const [row] = await db.select(columns).from(account).where(eq(account.id, id))
  return row ? mapAccount(row) : null
}

export const insertAccounts = async (db: Db, rows: readonly (typeof account.$inferInsert)[]): Promise<Account[]> =>
  (
    await db
      .insert(account)
      .values(rows.map((row) => ({ ...row, isCash: isCashRole(row.role) })))
      .returning(columns)
  ).map(mapAccount)

/** Accounts that income of goods may go to: the owner's own, and those of sales, work and charges. */
export const listIncomeAccounts = async (db: Db) =>
  (await listAccounts(db))
    .filter(
      (a) => !a.hidden && a.kind === 'income' && (a.role === null || ['sales', 'work', 'charges'].includes(a.role)),
    )
    .map((a) => ({ code: a.code, name: a.name }))

export const updateAccount = async (
  db: Db,
  id: number,
  change: Partial<Pick<Account, 'name' | 'hidden'>>,
): Promise<void> => {
  if (Object.keys(change).length > 0) await db.update(account).set(change).where(eq(account.id, id))
}

/** Whether the components of a tax are posted to an account. */
export const isOfTax = async (db: Db, accountId: number): Promise<boolean> =>
  (await db.select({ id: taxComponent.id }).from(taxComponent).where(eq(taxComponent.accountId, accountId)).limit(1))
    .length > 0

/** Income of goods goes to another account from now on. */
export const moveIncome = async (db: Db, from: number, into: number): Promise<void> => {
  await db.update(goods).set({ incomeAccountId: into }).where(eq(goods.incomeAccountId, from))
}

/** What an account is needed for, and by what it is called. */
export interface AccountUse {
  readonly kind: 'repeat' | 'rule' | 'bank' | 'goods'
  readonly text: string
}

/** What keeps an account in use: the bank it is an account of, for good; else what posts to it by itself, or what is sold into it. The first of them. */
export const findAccountUse = async (db: Db, accountId: number): Promise<AccountUse | null> =>
  (
    await db.execute<AccountUse & Record<string, unknown>>(sql`
      select 'bank' as kind, name as text from bank_account where account_id = ${accountId}
      union all
      select 'repeat', e.text from entry_repeat r join entry e on e.id = r.entry_id
       where r.next_on is not null and exists (select from entry_line l where l.entry_id = e.id and l.account_id = ${accountId})
      union all
      select 'repeat', 'bill ' || b.number from bill_repeat r join bill b on b.id = r.bill_id
       where r.next_on is not null and exists (select from bill_line l where l.bill_id = b.id and l.account_id = ${accountId})
      union all
      select 'rule', contains from bank_rule where account_id = ${accountId}
      union all
      (select 'goods', name from goods where income_account_id = ${accountId} order by id limit 1) limit 1`)
  )[0] ?? null
