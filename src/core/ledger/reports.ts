import { addMoney, isZeroMoney, negateMoney, subtractMoney, sumMoney, zeroMoney, type Money } from '../money'
import type { AccountKind } from './accounts'

/** What was debited and credited on one account over a span of days. Both are positive. */
export interface AccountSum {
  readonly id: number
  readonly code: string
  readonly name: string
  readonly kind: AccountKind
  readonly debit: Money
  readonly credit: Money
}

/** An account with an amount that reads naturally for its kind: assets and expenses in debit, the others in credit. */
export interface ReportRow {
  readonly id: number
  readonly code: string
  readonly name: string
  readonly amount: Money
}

/** What an account holds, in debit; negative where it stands in credit. */
export const inDebit = (s: AccountSum): Money => subtractMoney(s.debit, s.credit)
/** What an account holds on its usual side: assets and expenses in debit, the others in credit. */
export const naturally = (s: AccountSum): Money =>
  s.kind === 'asset' || s.kind === 'expense' ? inDebit(s) : negateMoney(inDebit(s))

const row = (s: AccountSum): ReportRow => ({ id: s.id, code: s.code, name: s.name, amount: naturally(s) })
const rowsOf = (sums: readonly AccountSum[], kind: AccountKind): ReportRow[] =>
  sums
    .filter((s) => s.kind === kind)
    .map(row)
    .filter((r) => !isZeroMoney(r.amount))
const total = (rows: readonly ReportRow[], currency: string): Money =>
  sumMoney(
    rows.map((r) => r.amount),
    currency,
  )

export interface TrialBalance {
  readonly rows: readonly (ReportRow & { readonly debit: Money; readonly credit: Money })[]
  readonly debit: Money
  readonly credit: Money
  /** Always zero; shown because it is what the report is for. */
  readonly difference: Money
}

/** Each account's balance on its side, both sides summed. Accounts at zero are left out. */
export const trialBalance = (sums: readonly AccountSum[], currency: string): TrialBalance => {
  const rows = sums
    .map((s) => ({ ...row(s), balance: inDebit(s) }))
    .filter((r) => !isZeroMoney(r.balance))
    .map(({ balance, ...rest }) => ({
      ...rest,
      debit: balance.minor > 0n ? balance : zeroMoney(currency),
      credit: balance.minor < 0n ? negateMoney(balance) : zeroMoney(currency),
    }))
  const debitSum = sumMoney(
    rows.map((r) => r.debit),
    currency,
  )
  const creditSum = sumMoney(
    rows.map((r) => r.credit),
    currency,
  )
  return { rows, debit: debitSum, credit: creditSum, difference: subtractMoney(debitSum, creditSum) }
}

export interface ProfitAndLoss {
  readonly income: readonly ReportRow[]
  readonly costOfGoods: readonly ReportRow[]
  readonly expenses: readonly ReportRow[]
  readonly totalIncome: Money
  readonly grossProfit: Money
  readonly totalExpenses: Money
  readonly profit: Money
}

/** How the codes of expense accounts begin that are cost of goods, which gross profit is after. */
export const COST_OF_GOODS = '5'

/** Income less cost of goods is gross profit; less expenses is profit. */
export const profitAndLoss = (sums: readonly AccountSum[], currency: string): ProfitAndLoss => {
  const income = rowsOf(sums, 'income')
  const spent = rowsOf(sums, 'expense')
  const costOfGoods = spent.filter((r) => r.code.startsWith(COST_OF_GOODS))
  const expenses = spent.filter((r) => !r.code.startsWith(COST_OF_GOODS))
  const totalIncome = total(income, currency)
  const grossProfit = subtractMoney(totalIncome, total(costOfGoods, currency))
  const totalExpenses = total(expenses, currency)
  return {
    income,
    costOfGoods,
    expenses,
    totalIncome,
    grossProfit,
    totalExpenses,
    profit: subtractMoney(grossProfit, totalExpenses),
  }
}

export interface BalanceSheet {
  readonly assets: readonly ReportRow[]
  readonly liabilities: readonly ReportRow[]
  readonly equity: readonly ReportRow[]
  /** Income less expenses not yet moved to earnings of earlier years by closing a year. */
  readonly earnings: Money
  readonly totalAssets: Money
  readonly totalLiabilities: Money
  /** With `earnings`. */
  readonly totalEquity: Money
  readonly totalLiabilitiesAndEquity: Money
  readonly difference: Money
}

/** Assets = liabilities + equity + earnings so far, from all that was posted up to the day. */
export const balanceSheet = (sums: readonly AccountSum[], currency: string): BalanceSheet => {
  const assets = rowsOf(sums, 'asset')
  const liabilities = rowsOf(sums, 'liability')
  const equity = rowsOf(sums, 'equity')
  const earnings = profitAndLoss(sums, currency).profit
  const totalAssets = total(assets, currency)
  const totalLiabilities = total(liabilities, currency)
  const totalEquity = addMoney(total(equity, currency), earnings)
  const totalLiabilitiesAndEquity = addMoney(totalLiabilities, totalEquity)
  return {
    assets,
    liabilities,
    equity,
    earnings,
    totalAssets,
    totalLiabilities,
    totalEquity,
    totalLiabilitiesAndEquity,
    difference: subtractMoney(totalAssets, totalLiabilitiesAndEquity),
  }
}
