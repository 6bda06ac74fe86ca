import { present } from '@/core/present'
import ExcelJS from 'exceljs'
import Papa from 'papaparse'
import { database } from '@/data/connect'
import { readEverything } from '@/data/queries/everything'
import { findBusiness } from '@/data/queries/business'
import { PAPERS, type LayoutSpec, type PaperKind } from '@/core/formats'
import { findFile } from '@/data/queries/files'
import { findMail } from '@/data/queries/mailbox'
import { makePaper } from '@/documents/make'
import { makeSlip } from '@/documents/slip'
import type { Asked } from '@/model/where'
import { makeLabels } from '@/documents/makeLabels'
import { makeUbl } from '@/documents/ubl'
import { businessDate } from '@/services/clock'
import { problem, problemOf } from './problem'
import { answering } from './answering'
import { bearerOf, cookieOf, mayEnter, SESSION_COOKIE } from './entry'
import { refuseEntry } from './serve'
import { provedLately } from '@/services/access/signIn'
import { log } from '@/log'
import { TABLES } from './tables'
import { layoutInput } from '@/contract/layout'
import type { Table } from '@/api/tables/table'

/** A plain number may begin with a sign; anything else that begins so, a spreadsheet would take for a formula. */
const PLAIN_NUMBER = /^[-+]?\d+(?:[.,]\d+)*\s?%?$/
const defused = (cell: string): string => (/^[=+@\t\r\n-]/.test(cell) && !PLAIN_NUMBER.test(cell) ? `'${cell}` : cell)

const asCsv = (table: Table): string =>
  Papa.unparse({ fields: [...table.columns], data: table.rows.map((r) => r.map(defused)) }, { newline: '\r\n' })

const asXlsx = async (table: Table, name: string): Promise<Buffer> => {
  const book = new ExcelJS.Workbook()
  const sheet = book.addWorksheet(name.slice(0, 31))
  sheet.addRow([...table.columns]).font = { bold: true }
  for (const row of table.rows) sheet.addRow(row.map(defused))
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

/** A PDF to look at. */
export const pdf = (body: Buffer | null, name: string): Response | null =>
  body && file(body, 'application/pdf', `${name}.pdf`, true)

const layoutWish = (query: URLSearchParams): number | LayoutSpec | undefined => {
  const spec = query.get('spec')
  if (spec) {
    // A preview of something half typed shows the paper as it usually is.
    try {
      const read = layoutInput.safeParse(JSON.parse(spec))
      return read.success ? read.data : undefined
    } catch {
      return undefined
    }
  }
  const layout = query.get('layout')
  return layout && /^\d{1,9}$/.test(layout) ? Number(layout) : undefined
}

/** Older and shorter addresses of papers. */
const SHORT: Readonly<Record<string, PaperKind>> = {
  invoices: 'invoice',
  receipts: 'receipt',
  statements: 'statement',
}

const paper = async (path: string, asked: Asked, query: URLSearchParams): Promise<Response | null> => {
  const ubl = /^invoices\/(\d{1,9})\.xml$/.exec(path)
  if (ubl) {
    const xml = await makeUbl(asked, Number(ubl[1]))
    return xml === null ? null : file(xml, 'application/xml', `invoice-${ubl[1]}.xml`)
  }
  const slip = /^receipts\/(\d{1,9})\/slip\.pdf$/.exec(path)
  if (slip) return pdf(await makeSlip(asked, Number(slip[1])), `receipt-${slip[1]}`)
  const ofSale = /^sales\/(\d{1,9})\/(estimate|confirmation|pick-list)\.pdf$/.exec(path)
  const short = /^(invoices|receipts|statements)\/(\d{1,9})\.pdf$/.exec(path)
  const long = /^papers\/([a-z-]+)\/(\d{1,9})\.pdf$/.exec(path)
  const kind = ofSale?.[2] ?? (short ? SHORT[present(short[1])] : long?.[1])
  const id = Number(ofSale?.[1] ?? short?.[2] ?? long?.[2])
  if (!kind || !PAPERS.includes(kind as PaperKind)) return null
  return pdf(await makePaper(asked, kind as PaperKind, id, layoutWish(query)), `${kind}-${id}`)
}

/** `goods=3x12,4x1`: labels for goods 3, a dozen, and goods 4, one. */
const labels = async (asked: Asked, query: URLSearchParams): Promise<Response | null> => {
  const wanted = (query.get('goods') ?? '').split(',').flatMap((part) => {
    const m = /^(\d{1,9})x(\d{1,3})$/.exec(part)
    return m ? [{ goodsId: Number(m[1]), count: Number(m[2]) }] : []
  })
  return pdf(await makeLabels(asked, wanted.slice(0, 500)), 'labels')
}

/** A kept file. Only pictures are shown; everything else is saved, never opened as a page of ours. */
export const keptFile = async (id: number, picturesOnly = false): Promise<Response | null> => {
  const kept = await findFile(database(), id)
  if (
    !kept ||
    (picturesOnly && !(kept.type.startsWith('image/') && (kept.ownerKind === 'goods' || kept.ownerKind === 'business')))
  )
    return null
  const plain = kept.name.replace(/[^\w. -]+/g, '_')
  return file(kept.body, kept.type, plain, kept.type.startsWith('image/'))
}

/** One attachment of a letter in the stand-in's mailbox. */
const mailAttachment = async (mailId: number, n: number): Promise<Response | null> => {
  const mail = await findMail(database(), mailId)
  const one = (mail?.attachments as { name: string; type: string; base64: string }[] | undefined)?.[n]
  return one ? file(Buffer.from(one.base64, 'base64'), one.type, one.name, one.type === 'application/pdf') : null
}

const OTHERS: readonly (readonly [
  RegExp,
  (m: RegExpExecArray, asked: Asked, query: URLSearchParams) => Promise<Response | null>,
])[] = [
  [/^mark$/, (_, { business }) => keptFile(business.markFileId ?? 0)],
  [/^labels\.pdf$/, (_, asked, query) => labels(asked, query)],
  [/^files\/(\d{1,9})$/, (m) => keptFile(Number(m[1]))],
  [/^mailbox\/(\d{1,9})\/(\d{1,2})$/, (m) => mailAttachment(Number(m[1]), Number(m[2]))],
]

/** Answers `/api/v1/export/…`: tables as CSV or XLSX, papers as PDF, invoices as UBL, and everything as JSON. */
export const serveExport = (request: Request): Promise<Response> =>
  answering(request, () => answerExport(request), { owner: true })

/** Everything in one file is given to a token that may change things, or to whoever typed the passphrase just now. */
const everything = async (request: Request): Promise<Response> => {
  if (bearerOf(request) === undefined && !(await provedLately(database(), cookieOf(request, SESSION_COOKIE))))
    return problemOf({ code: 'prove-again' })
  log.warn('everything was exported')
  return file(JSON.stringify(await readEverything(database())), 'application/json', 'everything.json')
}

const answerExport = async (request: Request): Promise<Response> => {
  const stopped = refuseEntry(await mayEnter(request))
  if (stopped) return stopped
  const business = await findBusiness(database())
  if (!business) return problem(409, 'not-set-up', 'The business is not set up yet.')
  const url = new URL(request.url)
  const path = url.pathname.replace(/^\/api\/v1\/export\//, '')
  if (path === 'everything.json') return everything(request)
  const [, name = '', type] = /^([a-z-]+)\.(csv|xlsx)$/.exec(path) ?? []
  const table = Object.hasOwn(TABLES, name)
    ? await present(TABLES[name])({ db: database(), business, today: businessDate(), query: url.searchParams })
    : null
  if (table)
    return type === 'csv'
      ? file(asCsv(table), 'text/csv; charset=utf-8', `${name}.csv`)
      : file(
          await asXlsx(table, name),
          'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
          `${name}.xlsx`,
        )
  const asked = { db: database(), business, today: businessDate() }
  const nothing = problem(404, 'not-found', `There is nothing to save at ${path}.`)
  for (const [pattern, answer] of OTHERS) {
    const match = pattern.exec(path)
    if (match) return (await answer(match, asked, url.searchParams)) ?? nothing
  }
  return (await paper(path, asked, url.searchParams)) ?? nothing
}
