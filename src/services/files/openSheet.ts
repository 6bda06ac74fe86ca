import type { z } from 'zod'
import {
  amountIn,
  dayFormatOf,
  dayIn,
  decimalMarkAmong,
  decimalMarkShown,
  habitsOf,
  numberIn,
  type DecimalMark,
} from '@/core/cells'
import { localeOf } from '@/core/locale'
import { toDecimalString } from '@/core/money'
import type { Business } from '@/data/queries/business'
import { eachInTurn } from './eachInTurn'
import { cellsOf, findColumns, type ColumnNames } from './tableColumns'
import type { FileTable } from './tableFile'

/** Says what is wrong with a cell. */
export type Say = (column: string, message: string) => undefined

/** A row that cannot be taken, as the spreadsheet counts: the column names are row 1. */
export interface RowProblem {
  readonly row: number
  /** Which row one speaks of: its code or name. */
  readonly code: string
  readonly message: string
}

/** What a schema finds wrong with a row, each with its column. */
export const sayIssues = ({ issues }: z.ZodError): string =>
  issues.map((x) => `${x.path.join(' ')}: ${x.message}`).join(' ')

interface Wanted<C extends string> {
  readonly names: ColumnNames<C>
  /** Columns that must be there; the first says which row one speaks of. */
  readonly needed: readonly [NoInfer<C>, ...NoInfer<C>[]]
}

/** A table whose first row names its columns, and how its amounts, numbers and days are written. */
export const openSheet = <C extends string>(business: Business, table: FileTable, { names, needed }: Wanted<C>) => {
  const at = findColumns(table, names, needed)
  const all = (column: C): readonly string[] =>
    at[column] === undefined ? [] : table.rows.map((cells) => cells[at[column] ?? 0] ?? '').filter((c) => c !== '')
  /** Reads the cells of a column: nothing where one is empty, and what is wrong where it does not say what it should. */
  const reads =
    <K extends C, T>(column: K, what: string, read: (cell: string) => T | null) =>
    (given: Readonly<Record<K, string>>, say: Say): T | undefined =>
      given[column] === ''
        ? undefined
        : (read(given[column]) ?? say(column, `“${given[column].slice(0, 40)}” is ${what}.`))
  const habits = habitsOf(localeOf(business.locale))
  const figures: C[] = []
  const shown = new Map<C, DecimalMark | null>()
  /** What a column shows; it is looked through once, however many ask. */
  const shownIn = (column: C): DecimalMark | null => {
    if (!shown.has(column)) shown.set(column, decimalMarkShown(all(column)))
    return shown.get(column) ?? null
  }
  /** How the numbers of a column are written: what they show themselves, else what those of the other columns do, else as usual. */
  const markOf = (column: C): (() => DecimalMark) => {
    figures.push(column)
    let mark: DecimalMark | undefined
    return () => (mark ??= shownIn(column) ?? decimalMarkAmong(figures.map(shownIn)) ?? table.decimal ?? habits.decimal)
  }
  return {
    all,
    amounts: <K extends C>(column: K) => {
      const mark = markOf(column)
      return reads(column, 'no amount', (cell) => {
        const read = amountIn(cell, mark(), business.currency)
        return read && toDecimalString(read)
      })
    },
    /** Numbers with a point; what is none stays as it stands, for the schema to say so. */
    numbers: <K extends C>(column: K) => {
      const mark = markOf(column)
      return (given: Readonly<Record<K, string>>): string => numberIn(given[column], mark()) ?? given[column]
    },
    days: <K extends C>(column: K) => {
      const format = dayFormatOf(all(column), habits.dayFirst)
      return reads(column, 'no date', (cell) => dayIn(cell, format))
    },
    /** Each row, or what is wrong with it: what was said of its cells, else what a schema finds. */
    judge: async <R extends object>(
      rowOf: (given: Readonly<Record<C, string>>, say: Say, at: number) => R | undefined,
      schema?: z.ZodType,
    ): Promise<{ readonly rows: (R & { readonly row: number })[]; readonly problems: RowProblem[] }> => {
      const rows: (R & { readonly row: number })[] = []
      const problems: RowProblem[] = []
      await eachInTurn(table.rows, (cells, i) => {
        const given = cellsOf(cells, at, names)
        const wrong: string[] = []
        const row = rowOf(given, (column, message) => void wrong.push(`${column}: ${message}`), i + 2)
        const checked = row && schema?.safeParse(row)
        if (wrong.length === 0 && checked && !checked.success) wrong.push(sayIssues(checked.error))
        if (wrong.length > 0 || !row)
          problems.push({ row: i + 2, code: given[needed[0]].slice(0, 60), message: wrong.join(' ') })
        else rows.push({ row: i + 2, ...row })
      })
      return { rows, problems }
    },
  }
}
