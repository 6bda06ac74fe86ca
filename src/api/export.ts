import ExcelJS from 'exceljs'
import Papa from 'papaparse'
import { database } from '@/data/connect'
import { readEverything } from '@/data/queries/everything'
import { findBusiness, type Business } from '@/data/queries/business'
import { makeEstimate, makeInvoice, makeReceipt, makeStatement } from '@/papers/make'
import { makeUbl } from '@/papers/ubl'
import { businessDate } from '@/services/clock'
import { problem } from './problem'
import { mayEnter } from './serve'
import { TABLES, type Table } from './tables'

/** Text that a spreadsheet would take for a formula is set in quotes; amounts may begin with a minus. */
const FORMULA = /^(?:[=+@\t\r]|-(?!\d))/

const asCsv = (table: Table): string =>
  Papa.unparse(
    { fields: [...table.columns], data: table.rows.map((r) => [...r]) },
    { newline: '\r\n', escapeFormulae: FORMULA },
  )

const asXlsx = async (table: Table, name: string): Promise<Buffer> => {
  const book = new ExcelJS.Workbook()
  const sheet = book.addWorksheet(name.slice(0, 31))
  sheet.addRow([...table.columns]).font = { bold: true }
  for (const row of table.rows) sheet.addRow(row.map((cell) => (FORMULA.test(cell) ? `'${cell}` : cell)))
  sheet.columns.forEach((column, i) => {
    column.width = Math.min(50, Math.max(10, ...table.rows.slice(0, 200).map((r) => (r[i] ?? '').length + 2)))
  })
  return Buffer.from(await book.xlsx.writeBuffer())
}

const file = (body: string | Buffer, type: string, name: string, inline = false): Response =>
  new Response(typeof body === 'string' ? body : new Uint8Array(body), {
    headers: {
      'content-type': type,
      'content-disposition': `${inline ? 'inline' : 'attachment'}; filename="${name}"`,
      'cache-control': 'no-store',
    },
  })

const pdf = (body: Buffer | null, name: string): Response | null =>
  body && file(body, 'application/pdf', `${name}.pdf`, true)

const paper = async (path: string, business: Business): Promise<Response | null> => {
  const db = database()
  const today = businessDate()
  const match = /^(invoices|receipts|sales|statements)\/(\d{1,9})(?:\/(estimate|slip))?\.(pdf|xml)$/.exec(
    path,
  )
  if (!match) return null
  const [, kind, idText, part, type] = match
  const id = Number(idText)
  if (type === 'xml') {
    const ubl = kind === 'invoices' ? await makeUbl(db, id, business) : null
    return ubl === null ? null : file(ubl, 'application/xml', `invoice-${id}.xml`)
  }
  if (kind === 'invoices') return pdf(await makeInvoice(db, id, business), `invoice-${id}`)
  if (kind === 'receipts') return pdf(await makeReceipt(db, id, business, part === 'slip'), `receipt-${id}`)
  if (kind === 'sales' && part === 'estimate')
    return pdf(await makeEstimate(db, id, business, today), `estimate-${id}`)
  if (kind === 'statements') return pdf(await makeStatement(db, id, business, today), `statement-${id}`)
  return null
}

/** Answers `/api/v1/export/…`: tables as CSV or XLSX, papers as PDF, invoices as UBL, and everything as JSON. */
export const serveExport = async (request: Request): Promise<Response> => {
  if ((await mayEnter(request)) !== 'yes')
    return problem(401, 'sign-in', 'Send a valid token as Authorization: Bearer …, made in Settings.')
  const business = await findBusiness(database())
  if (!business) return problem(409, 'not-set-up', 'The business is not set up yet.')
  const url = new URL(request.url)
  const path = url.pathname.replace(/^\/api\/v1\/export\//, '')
  if (path === 'everything.json')
    return file(JSON.stringify(await readEverything(database())), 'application/json', 'everything.json')
  const [, name = '', type] = /^([a-z-]+)\.(csv|xlsx)$/.exec(path) ?? []
  const table = Object.hasOwn(TABLES, name)
    ? await TABLES[name]!({ db: database(), business, today: businessDate(), query: url.searchParams })
    : null
  if (table)
    return type === 'csv'
      ? file(asCsv(table), 'text/csv; charset=utf-8', `${name}.csv`)
      : file(
          await asXlsx(table, name),
          'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
          `${name}.xlsx`,
        )
  return (await paper(path, business)) ?? problem(404, 'not-found', `There is nothing to save at ${path}.`)
}
