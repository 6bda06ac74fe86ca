import { between, eq, sql } from 'drizzle-orm'
import type { BudgetLine } from '@/core/ledger'
import { money } from '@/core/money'
import type { Db } from '../connect'
import { budget } from '../schema'

/** The budgets of years, both included. */
export const listBudgets = async (
  db: Db,
  years: { readonly from: number; readonly to: number },
  currency: string,
): Promise<readonly BudgetLine[]> =>
  (
    await db
      .select()
      .from(budget)
      .where(between(budget.year, years.from, years.to))
  ).map((b) => ({
    ...b,
    amount: money(b.amount, currency),
  }))

/** Puts a year's budget in place of the one there was. */
export const replaceBudget = async (
  db: Db,
  year: number,
  rows: readonly { readonly accountId: number; readonly amount: bigint }[],
): Promise<void> => {
  await db.delete(budget).where(eq(budget.year, year))
  if (rows.length > 0) await db.insert(budget).values(rows.map((r) => ({ ...r, year })))
}

/** What an account is meant to come to from a year on is added to another one. */
export const moveBudget = async (db: Db, from: number, into: number, sinceYear: number): Promise<void> => {
  await db.execute(sql`
    with moved as (delete from budget where account_id = ${from} and year >= ${sinceYear} returning year, amount)
    insert into budget (year, account_id, amount) select year, ${into}, amount from moved
    on conflict (year, account_id) do update set amount = budget.amount + excluded.amount`)
}
