import { day, yearOf, type Span } from '@/core/day'
import { budgetOf, naturally, profitAndLoss, type ProfitAndLoss } from '@/core/ledger'
import { toDecimalString, zeroMoney } from '@/core/money'
import type { Db } from '@/data/connect'
import { listAccounts } from '@/data/queries/accounts'
import { sumAccounts } from '@/data/queries/balances'
import { listBudgets } from '@/data/queries/budget'
import type { Where } from '../where'

/** Lines of a year's budget, in the order of their codes. */
export const budgetView = async (db: Db, year: number, currency: string) => {
  const [lines, accounts] = await Promise.all([listBudgets(db, { from: year, to: year }, currency), listAccounts(db)])
  const amounts = new Map(lines.map((l) => [l.accountId, l.amount]))
  return {
    year,
    lines: accounts.flatMap((a) => {
      const amount = amounts.get(a.id)
      return amount ? [{ accountId: a.id, account: a.code, name: a.name, amount: toDecimalString(amount) }] : []
    }),
  }
}

/** The budget of a span, as the profit and loss it is meant to be; null where none of its years has one. */
export const readBudgeted = async (db: Db, span: Span, currency: string): Promise<ProfitAndLoss | null> => {
  const lines = await listBudgets(db, { from: yearOf(span.from), to: yearOf(span.to) }, currency)
  if (lines.length === 0) return null
  const amounts = budgetOf(lines, span, currency)
  const none = zeroMoney(currency)
  const sums = (await listAccounts(db)).map((a) => {
    const amount = amounts.get(a.id) ?? none
    return { ...a, debit: a.kind === 'expense' ? amount : none, credit: a.kind === 'income' ? amount : none }
  })
  return profitAndLoss(sums, currency)
}

/** What a year's budget is written from: every account of income and expenses, with what it came to a year before. */
export const readBudgetPage = async ({ db, currency }: Where, year: number) => {
  const before = { from: day(`${year - 1}-01-01`), to: day(`${year - 1}-12-31`) }
  const [accounts, sums, { lines }] = await Promise.all([
    listAccounts(db),
    sumAccounts(db, before, currency, { withoutYearEnd: true }),
    budgetView(db, year, currency),
  ])
  const amounts = new Map(lines.map((l) => [l.accountId, l.amount]))
  return accounts
    .filter((a) => (a.kind === 'income' || a.kind === 'expense') && (!a.hidden || amounts.has(a.id)))
    .sort((a, b) => a.code.localeCompare(b.code))
    .map((a) => {
      const sum = sums.find((s) => s.id === a.id)
      return {
        accountId: a.id,
        code: a.code,
        name: a.name,
        income: a.kind === 'income',
        before: toDecimalString(sum ? naturally(sum) : zeroMoney(currency)),
        amount: amounts.get(a.id) ?? '',
      }
    })
}
