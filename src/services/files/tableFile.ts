import { present } from '@/core/present'
import { decodeText } from './decodeText'
import type ExcelJS from 'exceljs'
import Papa from 'papaparse'

/** A table as it stood in a file: column names of the first row, and rows of text. */
export interface FileTable {
  readonly columns: readonly string[]
  readonly rows: readonly (readonly string[])[]
  /** How its numbers are written where it knows: a workbook keeps them as numbers. */
  readonly decimal?: '.'
}

/** What a file was read as, or why it was not: plain data, since it is read in a process of its own. */
export type ReadTable =
  | { readonly ok: true; readonly table: FileTable }
  | { readonly ok: false; readonly message: string }

/** The most a table may have. Far more than a workshop's goods, and little enough to be read in a moment. */
const MOST = {
  rows: 20_000,
  columns: 200,
  cells: 500_000,
  letters: 4_000,
  unpacked: 60_000_000,
  text: 30_000_000,
} as const

class Unreadable extends Error {}
const unreadable = (message: string): never => {
  throw new Unreadable(message)
}

/** A spreadsheet keeps numbers as binary fractions and shows fifteen digits of them: those are what was meant. */
const SHOWN_DIGITS = 15

const cellText = (value: ExcelJS.CellValue): string => {
  if (value === null || value === undefined) return ''
  if (typeof value === 'number') return String(Number(value.toPrecision(SHOWN_DIGITS)))
  if (value instanceof Date) return value.toISOString().slice(0, 10)
  if (typeof value === 'object') {
    if ('result' in value) return cellText(value.result as ExcelJS.CellValue)
    if ('richText' in value) return value.richText.map((t) => t.text).join('')
    if ('text' in value) return String(value.text)
    return ''
  }
  return String(value)
}

/** The sizes that a ZIP's own list of contents tells, added up; null where it is no ZIP that can be read. */
const unpackedSize = (body: Buffer): number | null => {
  let end = -1
  for (let at = body.length - 22; at >= Math.max(0, body.length - 66_000); at--)
    if (body.readUInt32LE(at) === 0x06054b50) {
      end = at
      break
    }
  if (end < 0) return null
  let at = body.readUInt32LE(end + 16)
  let sum = 0
  for (let n = body.readUInt16LE(end + 10); n > 0; n--) {
    if (at + 46 > body.length || body.readUInt32LE(at) !== 0x02014b50) return null
    sum += body.readUInt32LE(at + 24)
    at += 46 + body.readUInt16LE(at + 28) + body.readUInt16LE(at + 30) + body.readUInt16LE(at + 32)
  }
  return sum
}

const mustBeSmall = (body: Buffer): void => {
  const size = unpackedSize(body)
  if (size === null) unreadable('This is not a spreadsheet that can be read. Save it again as XLSX or CSV.')
  if (present(size) > MOST.unpacked) unreadable('Unpacked, this file is larger than 60 MB. Split it.')
}

const readXlsx = async (body: Buffer): Promise<string[][]> => {
  mustBeSmall(body)
  const rows: string[][] = []
  let [cells, letters] = [0, 0]
  // Read as a stream, row by row: a cell far out costs one cell, and reading stops where there is too much.
  const [{ Readable }, { default: excel }] = await Promise.all([import('node:stream'), import('exceljs')])
  const book = new excel.stream.xlsx.WorkbookReader(
    Readable.from([body]) as never,
    {
      sharedStrings: 'cache',
      styles: 'cache',
      hyperlinks: 'ignore',
      worksheets: 'emit',
      entries: 'ignore',
    } as never,
  )
  for await (const sheet of book) {
    for await (const row of sheet) {
      const last = Math.max(0, ...Object.keys((row as unknown as { _cells: object })._cells ?? {}).map(Number)) + 1
      if (last > MOST.columns)
        unreadable(
          `At most ${MOST.columns} columns; a cell of this file stands in column ${last}. Remove what stands far out.`,
        )
      const line: string[] = []
      row.eachCell({ includeEmpty: false }, (cell, n) => {
        const text = cellText(cell.value).trim().slice(0, MOST.letters)
        line[n - 1] = text
        letters += text.length
        cells++
      })
      if (cells > MOST.cells) unreadable(`At most ${MOST.cells} cells at a time. Split the file.`)
      if (letters > MOST.text) unreadable(`At most ${MOST.text} letters at a time. Split the file.`)
      if (rows.length > MOST.rows) unreadable(`At most ${MOST.rows} rows at a time. Split the file.`)
      rows.push(Array.from(line, (c) => c ?? ''))
    }
    break
  }
  if (rows.length === 0) unreadable('There is no sheet in this file.')
  return rows
}

const readCsv = (body: Buffer): string[][] => {
  const text = decodeText(body) ?? unreadable('This is no text that can be read. Save it again as CSV (UTF-8) or XLSX.')
  const rows: string[][] = []
  let cells = 0
  let problem = ''
  Papa.parse<string[]>(text, {
    skipEmptyLines: true,
    step: ({ data, errors }, parser) => {
      // Rows without a word are passed over, but for the first: it should have named the columns.
      if (rows.length > 0 && data.every((cell) => cell.trim() === '')) return
      cells += data.length
      const quotes = errors.find((e) => e.type === 'Quotes')
      if (quotes)
        problem = `Row ${rows.length + 1}: a quotation mark is opened and not closed. Mend it, then try again.`
      else if (data.length > MOST.columns)
        problem = `At most ${MOST.columns} columns; row ${rows.length + 1} has ${data.length}.`
      else if (cells > MOST.cells) problem = `At most ${MOST.cells} cells at a time. Split the file.`
      else if (rows.length > MOST.rows) problem = `At most ${MOST.rows} rows at a time. Split the file.`
      if (problem) parser.abort()
      else rows.push(data.map((cell) => cell.trim().slice(0, MOST.letters)))
    },
  })
  return problem ? unreadable(problem) : rows
}

/** Reads a CSV or XLSX file: its first row names the columns. A file that is neither, or too much, is told why. */
export const readTable = async (bytes: Uint8Array): Promise<ReadTable> => {
  const body = Buffer.from(bytes)
  try {
    if (body.length === 0) unreadable('The file is empty. Choose another.')
    const zipped = body.subarray(0, 2).toString('latin1') === 'PK'
    const [columns, ...rows] = zipped ? await readXlsx(body) : readCsv(body)
    if (!columns || columns.every((c) => c === ''))
      return { ok: false, message: 'There are no column names in the first row.' }
    if (rows.length > MOST.rows)
      return { ok: false, message: `At most ${MOST.rows} rows at a time, this has ${rows.length}. Split it.` }
    return { ok: true, table: { columns, rows, ...(zipped ? { decimal: '.' } : {}) } }
  } catch (problem) {
    if (problem instanceof Unreadable) return { ok: false, message: problem.message }
    return { ok: false, message: 'This is not a spreadsheet that can be read. Save it again as XLSX or CSV.' }
  }
}
