import { sumMoney, type Money } from '@/core/money'
import {
  accountList,
  accountsList,
  balanceSheetList,
  budgetColumns,
  cashFlowList,
  closingsList,
  journalList,
  profitAndLossList,
  tiesList,
  trialBalanceList,
} from '@/lists/books'
import { dayOf, yearUntil } from '@/lists/days'
import { taxColumns, taxedList, taxList } from '@/lists/tax'
import { linesOfBalance, linesOfBudget, linesOfCashFlow, readJournalLines } from '@/model/books/bookRows'
import { readBudgeted } from '@/model/books/budget'
import { readBalanceSheet, readCashFlow, readProfitAndLoss, readTrialBalance } from '@/model/books/books'
import { taxPapersList, taxReturnsList } from '@/lists/taxReturns'
import { readTaxPapers, readTaxReturns } from '@/model/books/taxReturns'
import { readTies } from '@/model/books/ties'
import { readAccount, readChart } from '@/model/books/account'
import { readClosings, readTax, readTaxed } from '@/model/books/journal'
import { given, pageOfAll, pageOfQuery, partOf, reader } from './reader'

export const journal = reader(journalList, async (where, asked, size) => {
  const rows = await readJournalLines(where, given(asked.filter), partOf(asked, size, journalList.opensBy))
  return pageOfQuery(journalList.columns, rows, size)
})

export const trialBalance = reader(trialBalanceList, async (where, asked, size) => {
  const { asOf } = dayOf(asked.filter, where.today)
  const balance = await readTrialBalance(where.db, asOf, where.currency)
  return { ...pageOfAll(trialBalanceList, balance.rows, asked, size, where), balance }
})

export const profitAndLoss = reader(profitAndLossList, async (where, asked, size) => {
  const of = yearUntil(asked.filter, where.today)
  const [report, meant] = await Promise.all([
    readProfitAndLoss(where.db, of, where.currency),
    readBudgeted(where.db, of, where.currency),
  ])
  const list = meant ? { ...profitAndLossList, columns: budgetColumns } : profitAndLossList
  return pageOfAll(list, linesOfBudget(report, meant), asked, size, where)
})

export const cashFlow = reader(cashFlowList, async (where, asked, size) => {
  const report = await readCashFlow(where.db, yearUntil(asked.filter, where.today), where.currency)
  return pageOfAll(cashFlowList, linesOfCashFlow(report), asked, size, where)
})

export const balanceSheet = reader(balanceSheetList, async (where, asked, size) => {
  const { asOf } = dayOf(asked.filter, where.today)
  return pageOfAll(
    balanceSheetList,
    linesOfBalance(await readBalanceSheet(where.db, asOf, where.currency)),
    asked,
    size,
    where,
  )
})

export const tax = reader(taxList, async (where, asked, size) => {
  const span = yearUntil(asked.filter, where.today)
  return pageOfAll({ ...taxList, columns: taxColumns(span) }, await readTax(where, span), asked, size, where)
})

export const taxed = reader(taxedList, async (where, asked, size) => {
  const { code, component } = given(asked.filter)
  const filter = { ...yearUntil(asked.filter, where.today), code, component }
  const { rows, of } = await readTaxed(where, filter, partOf(asked, size, taxedList.opensBy))
  const sum = (amounts: readonly Money[]) => sumMoney(amounts, where.currency)
  const sums = { net: sum(of.map((t) => t.net)), tax: sum(of.map((t) => t.amount)) }
  return { ...pageOfQuery(taxedList.columns, rows, size, { sums }), of }
})

export const ties = reader(tiesList, async (where, asked, size) => {
  const { asOf } = dayOf(asked.filter, where.today)
  return pageOfAll(tiesList, await readTies(where.db, asOf, where.currency), asked, size, where)
})

export const account = reader(accountList, async (where, asked, size) => {
  const id = asked.filter.account ?? 0
  const span = yearUntil(asked.filter, where.today)
  const { by, down } = accountList.opensBy
  // A balance runs from line to line: in any other order all the lines are read.
  if (size === 'all' || asked.sort.by !== by || asked.sort.down !== down)
    return pageOfAll(accountList, (await readAccount(where, id, span)) ?? [], asked, size, where)
  const rows = (await readAccount(where, id, { ...span, limit: size + 1, offset: (asked.page - 1) * size })) ?? []
  return pageOfQuery(accountList.columns, rows, size + 1)
})

export const closings = reader(closingsList, async (where, asked, size) =>
  pageOfAll(closingsList, await readClosings(where), asked, size, where),
)

export const accounts = reader(accountsList, async (where, asked, size) =>
  pageOfAll(accountsList, await readChart(where, where.today), asked, size, where),
)

export const taxReturns = reader(taxReturnsList, async (where, asked, size) =>
  pageOfAll(taxReturnsList, await readTaxReturns(where), asked, size, where),
)

export const taxPapers = reader(taxPapersList, async (where, asked, size) =>
  pageOfAll(taxPapersList, await readTaxPapers(where, asked.filter.return ?? 0), asked, size, where),
)
