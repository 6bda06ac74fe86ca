import { between, eq } from 'drizzle-orm'
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
