import { forReports } from '@/model/access/reports'
import { listCards } from '@/data/queries/customers'
import { writeCards } from '@/services/people/cards'
import { createReadStream } from 'node:fs'
import { Readable } from 'node:stream'
import { backUpToTake, everythingToTake, type ToTake } from '@/services/backup/backUp'
import { present } from '@/core/present'
import { database } from '@/data/connect'
import { findBusiness } from '@/data/queries/business'
import { isPaper, type LayoutSpec, type PaperKind } from '@/core/formats'
import { findFile } from '@/data/queries/files'
import { findMail } from '@/data/queries/mailbox'
import { makeNamedPaper, makeRound } from '@/documents/make'
import { makeSlip } from '@/documents/slip'
import type { Asked } from '@/model/where'
import { makeChecks } from '@/documents/makeChecks'
import { makeLabels } from '@/documents/makeLabels'
import { makeParcelLabels } from '@/documents/makeParcelLabels'
import { makeUbl } from '@/documents/ubl'
import { businessDate } from '@/services/clock'
import { problem, problemOf } from './problem'
import { accountantFile, accountantQuery } from './accountant'
import { answering } from './answering'
import { bearerOf, cookieOf, mayEnter, SESSION_COOKIE } from './entry'
import { proposalsAsFound } from './proposalsAsFound'
import { refuseEntry } from './serve'
import { noteExported } from '@/services/access/noteExported'
import { parse } from '@/services/command'
import { Refusal } from '@/contract/refuse'
import { provedLately } from '@/services/access/session'
import { log } from '@/log'
import { MOST_ON_PAPER } from './lists/files'
import { makeListFile, readListWish } from './lists/makeListFile'
import { FILE_PATIENCE, makeListElsewhere } from './makeListElsewhere'
import { fromAddress } from './fromAddress'
import { layoutInput } from '@/contract/layout'

const file = (body: string | Uint8Array<ArrayBuffer>, type: string, name: string, inline = false): Response =>
  new Response(body, {
    headers: {
      'content-type': type,
      'content-disposition': `${inline ? 'inline' : 'attachment'}; filename="${name}"`,
      'cache-control': 'no-store',
    },
  })

/** A PDF to look at. */
export const pdf = (body: Buffer | null, name: string): Response | null =>
  body && file(new Uint8Array(body), 'application/pdf', `${name}.pdf`, true)

/** A document to look at, called as it is known. */
export const named = (made: Awaited<ReturnType<typeof makeNamedPaper>>): Response | null =>
  made && file(new Uint8Array(made.body), 'application/pdf', made.name, true)

const layoutWish = (query: URLSearchParams): number | LayoutSpec | undefined => {
  const spec = query.get('spec')
  if (spec) {
    // A preview of something half typed shows the paper as it usually is.
    try {
      const read = layoutInput.safeParse(JSON.parse(fromAddress(spec) ?? ''))
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
    return xml && file(xml.body, 'application/xml', xml.name)
  }
  const slip = /^receipts\/(\d{1,9})\/slip\.pdf$/.exec(path)
  if (slip) return named(await makeSlip(asked, Number(slip[1])))
  const ofSale = /^sales\/(\d{1,9})\/(estimate|confirmation|pick-list)\.pdf$/.exec(path)
  const short = /^(invoices|receipts|statements)\/(\d{1,9})\.pdf$/.exec(path)
  const long = /^papers\/([a-z-]+)\/(\d{1,9})\.pdf$/.exec(path)
  const kind = ofSale?.[2] ?? (short ? SHORT[present(short[1])] : long?.[1])
  const id = Number(ofSale?.[1] ?? short?.[2] ?? long?.[2])
  if (!kind || !isPaper(kind)) return null
  return named(await makeNamedPaper(asked, kind, id, layoutWish(query)))
}

/** `goods=3x12,4x1`: labels for goods 3, a dozen, and goods 4, one. */
const labels = async (asked: Asked, query: URLSearchParams): Promise<Response | null> => {
  const wanted = (query.get('goods') ?? '').split(',').flatMap((part) => {
    const m = /^(\d{1,9})x(\d{1,3})$/.exec(part)
    return m ? [{ goodsId: Number(m[1]), count: Number(m[2]) }] : []
  })
  return pdf(await makeLabels(asked, wanted.slice(0, 500)), 'labels')
}

/** `payments=12,13`: the checks that these payments are. */
const paymentIds = (query: URLSearchParams): readonly number[] =>
  (query.get('payments') ?? '')
    .split(',')
    .flatMap((id) => (/^\d{1,9}$/.test(id) ? [Number(id)] : []))
    .slice(0, 500)

/** A kept file. Only pictures are shown; everything else is saved, never opened as a page of ours. */
export const keptFile = async (id: number, picturesOnly = false): Promise<Response | null> => {
  const kept = await findFile(database(), id)
  if (
    !kept ||
    (picturesOnly && !(kept.type.startsWith('image/') && (kept.ownerKind === 'goods' || kept.ownerKind === 'business')))
  )
    return null
  const plain = kept.name.replace(/[^\w. -]+/g, '_')
  return file(new Uint8Array(kept.body), kept.type, plain, kept.type.startsWith('image/'))
}

/** One attachment of a letter in the stand-in's mailbox. */
const mailAttachment = async (mailId: number, n: number): Promise<Response | null> => {
  const mail = await findMail(database(), mailId)
  const one = (mail?.attachments as { name: string; type: string; base64: string }[] | undefined)?.[n]
  return one
    ? file(new Uint8Array(Buffer.from(one.base64, 'base64')), one.type, one.name, one.type === 'application/pdf')
    : null
}

const OTHERS: readonly (readonly [
  RegExp,
  (m: RegExpExecArray, asked: Asked, query: URLSearchParams) => Promise<Response | null>,
])[] = [
  [/^mark$/, (_, { business }) => keptFile(business.markFileId ?? 0)],
  [/^handovers\/(\d{1,9})\/labels\.pdf$/, async (m, asked) => named(await makeParcelLabels(asked, Number(m[1])))],
  [
    /^customers\.vcf$/,
    async (_, { db }) => file(writeCards(await listCards(db)), 'text/vcard; charset=utf-8', 'customers.vcf'),
  ],
  [/^picks\.pdf$/, async (_, asked) => named(await makeRound(asked))],
  [/^checks\.pdf$/, async (_, asked, query) => named(await makeChecks(asked, paymentIds(query)))],
  [/^labels\.pdf$/, (_, asked, query) => labels(asked, query)],
  [/^bank-proposals\/(\d{1,9})\.ndjson$/, (m, asked) => proposalsAsFound(asked, Number(m[1]))],
  [/^files\/(\d{1,9})$/, (m) => keptFile(Number(m[1]))],
  [/^mailbox\/(\d{1,9})\/(\d{1,2})$/, (m) => mailAttachment(Number(m[1]), Number(m[2]))],
]

/** Answers `/api/v1/export/…`: tables as CSV or XLSX, papers as PDF, invoices as UBL, and everything as JSON. */
export const serveExport = (request: Request): Promise<Response> =>
  answering(request, () => answerExport(request), {
    owner: true,
    within: LONG.test(new URL(request.url).pathname) ? FILE_PATIENCE : undefined,
  })

/** What may be all there is. */
const LONG = /(\.(csv|xlsx|json|zip)|\/backup)$/

/** A file that was written to be taken along, and is thrown away when it was. */
const takeAlong = async ({ path, name, done }: ToTake, type: string): Promise<Response> => {
  const stream = createReadStream(path)
  stream.once('close', () => void done())
  await noteExported(database(), businessDate())
  return new Response(Readable.toWeb(stream) as ReadableStream, {
    headers: {
      'content-type': type,
      'content-disposition': `attachment; filename="${name}"`,
      'cache-control': 'no-store',
    },
  })
}

/** Everything in one file is given to a token that may change things, or to whoever typed the passphrase just now. */
const everything = async (request: Request): Promise<Response> => {
  if (bearerOf(request) === undefined && !(await provedLately(database(), cookieOf(request, SESSION_COOKIE))))
    return problemOf({ code: 'prove-again' })
  log.warn('everything was exported')
  return takeAlong(await everythingToTake(await forReports(database())), 'application/json')
}

/** Everything as a backup, which `bin/restore` reads: to a token that may change things, or to whoever typed the passphrase just now. */
const backup = async (request: Request): Promise<Response> => {
  if (bearerOf(request) === undefined && !(await provedLately(database(), cookieOf(request, SESSION_COOKIE))))
    return problemOf({ code: 'prove-again' })
  log.warn('a backup was taken along')
  return takeAlong(await backUpToTake(), 'application/octet-stream')
}

/** What an accountant needs of a period, as one ZIP. */
const accountant = (asked: Asked, query: URLSearchParams): Response => {
  try {
    return accountantFile(asked, parse(accountantQuery, Object.fromEntries(query)))
  } catch (problem) {
    if (problem instanceof Refusal) return problemOf(problem.failure)
    throw problem
  }
}

/** A list as a file: a page of it from here, all of it from another thread, so that nobody waits for it. */
const listFile = async (path: string, asked: Asked, url: URL, signal: AbortSignal): Promise<Response | null> => {
  const wish = readListWish(path, url, asked.today)
  if (!wish) return null
  const made =
    wish.rows === 'all' ? await makeListElsewhere(asked.db, wish, signal) : await makeListFile(asked.db, wish)
  if ('tooLong' in made)
    return problem(
      422,
      'too-long-for-paper',
      `${made.tooLong} rows are too many for paper; it takes ${MOST_ON_PAPER}. Narrow the list, or take CSV or XLSX.`,
    )
  const answer = file(made.body, made.type, made.name, made.inline)
  if (made.link) answer.headers.set('link', made.link)
  return answer
}

const answerExport = async (request: Request): Promise<Response> => {
  const stopped = refuseEntry(await mayEnter(request))
  if (stopped) return stopped
  const business = await findBusiness(database())
  if (!business) return problem(409, 'not-set-up', 'The business is not set up yet.')
  const url = new URL(request.url)
  const path = url.pathname.replace(/^\/api\/v1\/export\//, '')
  if (path === 'everything.json') return everything(request)
  if (path === 'backup') return backup(request)
  const asked = { db: await forReports(database()), business, today: businessDate() }
  if (path === 'accountant.zip') return accountant(asked, url.searchParams)
  const list = await listFile(path, asked, url, request.signal)
  if (list) return list
  const nothing = problem(404, 'not-found', `There is nothing to save at ${path}.`)
  for (const [pattern, answer] of OTHERS) {
    const match = pattern.exec(path)
    if (match) return (await answer(match, asked, url.searchParams)) ?? nothing
  }
  return (await paper(path, asked, url.searchParams)) ?? nothing
}
