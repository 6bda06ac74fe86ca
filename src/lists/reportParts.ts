import { addMoney, negateMoney, type Money } from '@/core/money'
import type { ReportLine } from '@/model/books/bookRows'
import type { PaperPart } from './list'

/** What a part of a report is called, and what it ends in; on the screen and on paper alike. */
interface Names {
  readonly title: string
  readonly totalName: string
}

export const PROFIT_PARTS = [
  { title: 'Income', totalName: 'Income' },
  { title: 'What the goods cost', totalName: 'Gross profit' },
  { title: 'Expenses', totalName: 'Expenses' },
] as const satisfies readonly Names[]
export const PROFIT = 'Net profit'

export const BALANCE_PARTS = [
  { title: 'Assets (what you have)', totalName: 'Assets' },
  { title: 'Liabilities (what you owe)', totalName: 'Liabilities' },
  { title: 'Equity (what is left)', totalName: 'Equity' },
] as const satisfies readonly Names[]
export const BOTH_SIDES = 'Total liabilities and equity'

export const CASH_FLOW_PARTS = [
  { title: 'Operating (customers, suppliers, expenses, tax)', totalName: 'Operating' },
  { title: 'Investing (tools and other things that stay)', totalName: 'Investing' },
  { title: 'Financing (you and lenders)', totalName: 'Financing' },
] as const satisfies readonly Names[]
export const CASH_CHANGE = 'Change in cash'

type Lines = readonly ReportLine[]

const sum = (amounts: readonly Money[]): Money => amounts.reduce(addMoney)

/** What lines come to, and what they were meant to where they say that; nothing where there are none. */
const total = (name: string, lines: Lines): ReportLine | null => {
  const [first] = lines
  const budgets = lines.flatMap((l) => (l.budget ? [l.budget] : []))
  return first
    ? {
        part: '',
        code: '',
        name,
        amount: sum(lines.map((l) => l.amount)),
        ...(budgets.length > 0 && { budget: sum(budgets) }),
      }
    : null
}
const less = (lines: Lines): Lines =>
  lines.map((l) => ({ ...l, amount: negateMoney(l.amount), ...(l.budget && { budget: negateMoney(l.budget) }) }))
const of = (lines: Lines, part: string): Lines => lines.filter((l) => l.part === part)
/** Without those of which there is nothing. */
const some = (parts: readonly PaperPart<ReportLine>[]): readonly PaperPart<ReportLine>[] =>
  parts.filter((p) => p.rows.length > 0 || p.total)
/** Each with what it comes to alone. */
const named = (names: readonly Names[], parts: readonly Lines[]): readonly PaperPart<ReportLine>[] =>
  names.map(({ title, totalName }, n) => ({
    title,
    rows: parts[n] ?? [],
    total: total(totalName, parts[n] ?? []),
  }))
const end = (line: ReportLine | null): PaperPart<ReportLine> => ({ title: '', rows: [], total: line })

/** Income; what the goods cost, down to gross profit; expenses; and what is left. */
export const partsOfProfit = (lines: Lines): readonly PaperPart<ReportLine>[] => {
  const [income, costs, expenses] = [of(lines, 'income'), of(lines, 'cost of goods'), of(lines, 'expenses')]
  const [first, second, third] = PROFIT_PARTS
  return some([
    { title: first.title, rows: income, total: total(first.totalName, income) },
    { title: second.title, rows: costs, total: total(second.totalName, [...income, ...less(costs)]) },
    { title: third.title, rows: expenses, total: total(third.totalName, expenses) },
    end(total(PROFIT, of(lines, 'profit'))),
  ])
}

/** What there is, what is owed of it, and what is left: both sides come to the same. */
export const partsOfBalance = (lines: Lines): readonly PaperPart<ReportLine>[] => {
  const parts = ['assets', 'liabilities', 'equity'].map((part) => of(lines, part))
  const [, ...other] = parts
  return some([...named(BALANCE_PARTS, parts), end(total(BOTH_SIDES, other.flat()))])
}

/** What cash there was, what came and went for trade, for things that stay and between owner and lenders, and what there is. */
export const partsOfCashFlow = (lines: Lines): readonly PaperPart<ReportLine>[] => {
  const parts = ['operating', 'investing', 'financing'].map((part) => of(lines, part))
  return some([
    end(total('Cash at the beginning', of(lines, 'cash at the beginning'))),
    ...named(CASH_FLOW_PARTS, parts),
    end(total(CASH_CHANGE, parts.flat())),
    end(total('Cash at the end', of(lines, 'cash at the end'))),
  ])
}
