import {
  CASH_PARTS,
  type BalanceSheet,
  type CashFlow,
  type ProfitAndLoss,
  type ReportRow,
  type TrialBalance,
} from '@/core/ledger'
import type { Money } from '@/core/money'
import type { Part } from '@/data/queries/inOrder'
import { listJournalLines, type JournalFilter, type JournalLineRow } from '@/data/queries/journalLines'
import type { Where } from '../where'
import { hrefOfSource } from './entrySource'

export type { TaxSumRow as TaxRow } from '@/data/queries/invoices'
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
}

const partOf = (part: string, rows: readonly ReportRow[]): readonly ReportLine[] =>
  rows.map((r) => ({ part, code: r.code, name: r.name, amount: r.amount }))

export const linesOfProfit = (p: ProfitAndLoss): readonly ReportLine[] => [
  ...partOf('income', p.income),
  ...partOf('cost of goods', p.costOfGoods),
  ...partOf('expenses', p.expenses),
  { part: 'profit', code: '', name: '', amount: p.profit },
]

export const linesOfCashFlow = (c: CashFlow): readonly ReportLine[] => [
  { part: 'cash at the beginning', code: '', name: '', amount: c.opening },
  ...CASH_PARTS.flatMap((p) => partOf(p, c.parts[p].rows)),
  { part: 'cash at the end', code: '', name: '', amount: c.closing },
]

export const linesOfBalance = (b: BalanceSheet): readonly ReportLine[] => [
  ...partOf('assets', b.assets),
  ...partOf('liabilities', b.liabilities),
  ...partOf('equity', b.equity),
  { part: 'equity', code: '', name: 'earned so far', amount: b.earnings },
]
