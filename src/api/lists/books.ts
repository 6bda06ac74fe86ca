import { yearStart, type Day } from '@/core/day'
import { balanceSheetList, journalList, profitAndLossList, taxList, trialBalanceList } from '@/lists/books'
import { linesOfBalance, linesOfProfit, readJournalLines } from '@/model/books/bookRows'
import { readBalanceSheet, readProfitAndLoss, readTrialBalance } from '@/model/books/books'
import { readTax } from '@/model/books/journal'
import { pageOfAll, pageOfQuery, partOf, reader } from './reader'

const yearOf = ({ from, to }: { readonly from: Day | null; readonly to: Day | null }, today: Day) => {
  const last = to ?? today
  return { from: from ?? yearStart(last), to: last }
}

export const journal = reader(journalList, async (where, asked, size) => {
  const { from, to, search } = asked.filter
  const filter = { from: from ?? undefined, to: to ?? undefined, search: search ?? undefined }
  const rows = await readJournalLines(where, filter, partOf(asked, size, journalList.opensBy))
  return pageOfQuery(journalList.columns, rows, size)
})

export const trialBalance = reader(trialBalanceList, async (where, asked, size) => {
  const day = asked.filter.asOf ?? asked.filter.to ?? where.today
  return pageOfAll(trialBalanceList, (await readTrialBalance(where.db, day, where.currency)).rows, asked, size, where)
})

export const profitAndLoss = reader(profitAndLossList, async (where, asked, size) => {
  const report = await readProfitAndLoss(where.db, yearOf(asked.filter, where.today), where.currency)
  return pageOfAll(profitAndLossList, linesOfProfit(report), asked, size, where)
})

export const balanceSheet = reader(balanceSheetList, async (where, asked, size) => {
  const day = asked.filter.asOf ?? asked.filter.to ?? where.today
  return pageOfAll(
    balanceSheetList,
    linesOfBalance(await readBalanceSheet(where.db, day, where.currency)),
    asked,
    size,
    where,
  )
})

export const tax = reader(taxList, async (where, asked, size) =>
  pageOfAll(taxList, await readTax(where, yearOf(asked.filter, where.today)), asked, size, where),
)
