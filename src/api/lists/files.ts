import Papa from 'papaparse'
import { formatDay } from '@/core/day'
import { toDecimalString } from '@/core/money'
import type { ListOnPaper } from '@/documents/draw/drawList'
import { drawElsewhere } from '@/documents/drawElsewhere'
import { fileCell, shownCell, shownSum } from '@/lists/cell'
import { inFile, isFigure, onPaper, type Column } from '@/lists/column'
import type { List } from '@/lists/list'
import { letterPaper } from '@/model/paper/letterhead'
import type { Where } from '@/model/where'
import type { Sums } from '@/lists/sum'
import type { Read } from './reader'

type Sum = Sums[string]

const plainSum = (sum: Sum): string =>
  typeof sum === 'number' ? String(sum) : 'minor' in sum ? toDecimalString(sum) : sum.toString()

/** The row of sums under the columns; null where a list has none. */
const sumRow = <Row>(
  list: List<Row>,
  columns: readonly Column<Row>[],
  read: Read<Row>,
  say: (sum: Sum) => string,
): readonly string[] | null => {
  if (!list.foot) return null
  const cells = columns.map((c) => {
    const sum = c.sum ? read.sums[c.key] : undefined
    return sum === undefined ? '' : say(sum)
  })
  const words = columns.findIndex((c) => !isFigure(c))
  return cells.map((cell, i) => (i === words ? (list.foot?.says ?? '') : cell))
}

/** A plain number may begin with a sign; anything else that begins so, a spreadsheet would take for a formula. */
const PLAIN_NUMBER = /^[-+]?\d+(?:[.,]\d+)*\s?%?$/
const defused = (cell: string): string => (/^[=+@\t\r\n-]/.test(cell) && !PLAIN_NUMBER.test(cell) ? `'${cell}` : cell)

const tableOf = <Row>(list: List<Row>, read: Read<Row>, where: Where) => {
  const columns = inFile(read.columns)
  const sums = list.foot?.inFile ? sumRow(list, columns, read, plainSum) : null
  return {
    columns,
    rows: [...read.rows.map((row) => columns.map((c) => fileCell(c, row, where))), ...(sums ? [sums] : [])],
  }
}

/** Comma-separated values, as RFC 4180 has them, a column a name. */
export const asCsv = <Row>(list: List<Row>, read: Read<Row>, where: Where): string => {
  const { columns, rows } = tableOf(list, read, where)
  return Papa.unparse({ fields: columns.map((c) => c.key), data: rows.map((r) => r.map(defused)) }, { newline: '\r\n' })
}

/** A number where a spreadsheet can hold it to the last digit, so that it adds up there; text otherwise. */
const spreadsheetCell = (column: { readonly as: string } | undefined, text: string): string | number => {
  if (column && isFigure(column) && text !== '' && text.replace(/\D/g, '').length <= 15) return Number(text)
  return defused(text)
}

export const asXlsx = async <Row>(list: List<Row>, read: Read<Row>, where: Where): Promise<Buffer> => {
  const { columns, rows } = tableOf(list, read, where)
  // Read in half a second: by the thread that writes spreadsheets, not by the one that answers.
  const { default: ExcelJS } = await import('exceljs')
  const book = new ExcelJS.Workbook()
  const sheet = book.addWorksheet(list.name.slice(0, 31), { views: [{ state: 'frozen', ySplit: 1 }] })
  sheet.addRow(columns.map((c) => c.key)).font = { bold: true }
  for (const row of rows) sheet.addRow(row.map((text, i) => spreadsheetCell(columns[i], text)))
  const places = toDecimalString({ minor: 0n, currency: where.currency }).replace(/^0/, '')
  sheet.columns.forEach((column, i) => {
    column.width = Math.min(50, Math.max(10, ...rows.slice(0, 200).map((r) => (r[i] ?? '').length + 2)))
    if (columns[i]?.as === 'money' || columns[i]?.as === 'balance') column.numFmt = `#,##0${places}`
  })
  return Buffer.from(await book.xlsx.writeBuffer())
}

/** The same as data: what each column is, every row by its columns' names, the sums and how many there are. */
export const asJson = <Row>(list: List<Row>, read: Read<Row>, where: Where) => {
  const columns = inFile(read.columns)
  return {
    list: list.name,
    columns: columns.map((c) => ({ key: c.key, head: c.head, as: c.as })),
    rows: read.rows.map((row) => Object.fromEntries(columns.map((c) => [c.key, fileCell(c, row, where)]))),
    sums: Object.fromEntries(Object.entries(read.sums).map(([key, sum]) => [key, plainSum(sum)])),
    count: read.count ?? null,
    more: read.more,
  }
}

/** Paper is for reading: more rows than this belong into a spreadsheet. */
export const MOST_ON_PAPER = 3000

/** A cell on paper: what the screen shows, with what stands small beside it. */
const paperCell = <Row>(column: Column<Row>, row: Row, where: Where): string =>
  [shownCell(column, row, where), isFigure(column) ? '' : column.note?.(row, where)].filter(Boolean).join(' ')

/** A list as it stands on paper, with what it is narrowed to. */
export const listOnPaper = <Row>(list: List<Row>, read: Read<Row>, where: Where, said: string): ListOnPaper => {
  const columns = onPaper(read.columns)
  const cells = (row: Row): readonly string[] => columns.map((c) => paperCell(c, row, where))
  const parts = list.parts?.(read.rows) ?? [{ title: '', rows: read.rows, total: null }]
  return {
    title: list.title,
    about: [where.business.name, formatDay(where.today), said].filter(Boolean).join(' · '),
    size: letterPaper(where.business),
    heads: columns.map((c) => ({ text: c.head, right: isFigure(c) })),
    parts: parts.map(({ title, rows, total }) => ({ title, rows: rows.map(cells), total: total && cells(total) })),
    sums: sumRow(list, columns, read, shownSum),
  }
}

export const asPdf = <Row>(list: List<Row>, read: Read<Row>, where: Where, said: string): Promise<Buffer> =>
  drawElsewhere({ as: 'lists', lists: [listOnPaper(list, read, where, said)] })
