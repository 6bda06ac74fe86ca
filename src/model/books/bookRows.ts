import {
  CASH_PARTS,
  type BalanceSheet,
  type CashFlow,
  type ProfitAndLoss,
  type ReportRow,
  type TrialBalance,
} from '@/core/ledger'
import { PROFIT_NOT_CARRIED } from '@/core/names'
import { zeroMoney, type Money } from '@/core/money'
import type { Part } from '@/data/queries/inOrder'
import { listJournalLines, type JournalFilter, type JournalLineRow } from '@/data/queries/journalLines'
import type { Where } from '../where'
import { hrefOfSource } from './entrySource'

export type { TaxSumRow as TaxRow } from '@/data/queries/taxSums'
export type BalanceRow = TrialBalance['rows'][number]

export interface JournalLine extends JournalLineRow {
  /** The page of the paper behind it. */
  readonly href: string
}

/** Lines of the journal with the page behind each. */
export const readJournalLines = async (
  { db, currency }: Where,
  filter: JournalFilter,
  part: Part,
): Promise<JournalLine[]> =>
  (await listJournalLines(db, filter, part, currency)).map((l) => ({
    ...l,
    href: hrefOfSource({ sourceKind: l.sourceKind, sourceId: l.sourceId, id: l.entryId }),
  }))

/** A line of a report with the part it stands in. */
export interface ReportLine {
  readonly part: string
  readonly code: string
  readonly name: string
  readonly amount: Money
  /** What it is meant to be, where there is a budget. */
  readonly budget?: Money
}

const partOf = (part: string, rows: readonly ReportRow[]): readonly ReportLine[] =>
  rows.map((r) => ({ part, code: r.code, name: r.name, amount: r.amount }))

export const linesOfProfit = (p: ProfitAndLoss): readonly ReportLine[] => [
  ...partOf('income', p.income),
  ...partOf('cost of goods', p.costOfGoods),
  ...partOf('expenses', p.expenses),
  { part: 'profit', code: '', name: '', amount: p.profit },
]

/** The profit and loss beside what it is meant to be, line by line; what stands in one of them alone is nothing in the other. */
export const linesOfBudget = (p: ProfitAndLoss, meant: ProfitAndLoss | null): readonly ReportLine[] => {
  if (!meant) return linesOfProfit(p)
  const none = zeroMoney(p.profit.currency)
  const [is, should] = [linesOfProfit(p), linesOfProfit(meant)]
  const key = (l: ReportLine): string => `${l.part}:${l.code}`
  const amounts = new Map(should.map((l) => [key(l), l.amount]))
  const there = new Set(is.map(key))
  const all = [...is, ...should.filter((l) => !there.has(key(l))).map((l) => ({ ...l, amount: none }))]
  const order = (l: ReportLine): number => ['income', 'cost of goods', 'expenses', 'profit'].indexOf(l.part)
  return all
    .map((l) => ({ ...l, budget: amounts.get(key(l)) ?? none }))
    .sort((a, b) => order(a) - order(b) || a.code.localeCompare(b.code))
}

export const linesOfCashFlow = (c: CashFlow): readonly ReportLine[] => [
  { part: 'cash at the beginning', code: '', name: '', amount: c.opening },
  ...CASH_PARTS.flatMap((p) => partOf(p, c.parts[p].rows)),
  { part: 'cash at the end', code: '', name: '', amount: c.closing },
]

export const linesOfBalance = (b: BalanceSheet): readonly ReportLine[] => [
  ...partOf('assets', b.assets),
  ...partOf('liabilities', b.liabilities),
  ...partOf('equity', b.equity),
  { part: 'equity', code: '', name: PROFIT_NOT_CARRIED, amount: b.earnings },
]
