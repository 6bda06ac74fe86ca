import { asc, eq } from 'drizzle-orm'
import type { AccountKind, AccountRole } from '@/core/ledger'
import type { Db } from '../connect'
import { account } from '../schema'

export interface Account {
  readonly id: number
  readonly code: string
  readonly name: string
  readonly kind: AccountKind
  readonly role: AccountRole | null
}

const columns = {
  id: account.id,
  code: account.code,
  name: account.name,
  kind: account.kind,
  role: account.role,
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
      .values([...rows])
      .returning(columns)
  ).map(mapAccount)

/** Accounts that income of goods may go to: the owner's own, and those of sales, work and charges. */
export const listIncomeAccounts = async (db: Db) =>
  (await listAccounts(db))
    .filter((a) => a.kind === 'income' && (a.role === null || ['sales', 'work', 'charges'].includes(a.role)))
    .map((a) => ({ code: a.code, name: a.name }))
