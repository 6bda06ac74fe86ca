import ExcelJS from 'exceljs'
import Papa from 'papaparse'
import { refuse } from '../refuse'

/** A table as it stood in a file: column names of the first row, and rows of text. */
export interface FileTable {
  readonly columns: readonly string[]
  readonly rows: readonly (readonly string[])[]
}

const MOST_ROWS = 20_000
const broken = (message: string): never => refuse({ code: 'invalid', errors: [{ path: 'base64', message }] })

const cellText = (value: ExcelJS.CellValue): string => {
  if (value === null || value === undefined) return ''
  if (value instanceof Date) return value.toISOString().slice(0, 10)
  if (typeof value === 'object') {
    if ('result' in value) return cellText(value.result as ExcelJS.CellValue)
    if ('richText' in value) return value.richText.map((t) => t.text).join('')
    if ('text' in value) return String(value.text)
    return ''
  }
  return String(value)
}

const readXlsx = async (body: Buffer): Promise<string[][]> => {
  const book = new ExcelJS.Workbook()
  await book.xlsx
    .load(body as never)
    .catch(() => broken('This is not a spreadsheet that can be read. Save it again as XLSX or CSV.'))
  const sheet = book.worksheets[0] ?? broken('There is no sheet in this file.')
  const rows: string[][] = []
  sheet.eachRow({ includeEmpty: false }, (row) => {
    const cells: string[] = []
    row.eachCell({ includeEmpty: true }, (cell, n) => {
      cells[n - 1] = cellText(cell.value).trim()
    })
    rows.push(Array.from(cells, (c) => c ?? ''))
  })
  return rows
}

const readCsv = (body: Buffer): string[][] => {
  const text = body.toString('utf8').replace(/^\uFEFF/, '')
  if (text.includes('\u0000') || text.includes('\uFFFD'))
    broken('This is not a text file in UTF-8. Save it again as CSV (UTF-8) or XLSX.')
  const parsed = Papa.parse<string[]>(text, { skipEmptyLines: 'greedy' })
  return parsed.data.map((row) => row.map((cell) => cell.trim()))
}

/** Reads a CSV or XLSX file: its first row names the columns. A file that is neither, or too long, is refused with why. */
export const readTableFile = async (base64: string): Promise<FileTable> => {
  const body = Buffer.from(base64, 'base64')
  if (body.length === 0) broken('The file is empty. Choose another.')
  const zipped = body.subarray(0, 2).toString('latin1') === 'PK'
  const [columns, ...rows] = zipped ? await readXlsx(body) : readCsv(body)
  if (!columns || columns.every((c) => c === '')) broken('There are no column names in the first row.')
  if (rows.length > MOST_ROWS)
    broken(`At most ${MOST_ROWS} rows at a time, this has ${rows.length}. Split it.`)
  return { columns: columns!, rows }
}
