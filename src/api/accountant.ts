import { z } from 'zod'
import { day } from '@/contract/fields'
import type { Span } from '@/core/day'
import { drawElsewhere } from '@/documents/drawElsewhere'
import { makeNamedPaper } from '@/documents/make'
import { listFilesOfSpan, listInvoicesOfSpan } from '@/data/queries/ofSpan'
import { findFile } from '@/data/queries/files'
import type { Asked } from '@/model/where'
import { findList } from './lists'
import { asCsvw, csvwName } from './lists/csvw'
import { asCsv, listOnPaper, MOST_ON_PAPER } from './lists/files'
import { makeListFile, saidOf } from './lists/makeListFile'
import { makeListElsewhere } from './makeListElsewhere'
import { zipStream, type ZipEntry } from './zip'

export const accountantQuery = z
  .object({ from: day, to: day })
  .refine((q) => q.from <= q.to, { path: ['to'], message: 'The last day is before the first. Exchange them.' })

/** Reports that are printed together, then the books and the documents behind them. */
const REPORTS = ['profit-and-loss', 'balance-sheet', 'trial-balance', 'cash-flow', 'tax'] as const
const TABLES = ['journal', 'accounts', 'invoices', 'receipts', 'bills', 'supplier-payments'] as const

/** A name that every computer takes. */
const plain = (name: string): string => name.replace(/[^\p{L}\p{N}. _-]+/gu, '_').slice(0, 120)

/** A span as lists are asked for it. */
const asRead = ({ from, to }: Span) => ({ from, to, asOf: to })

const readTable = async (asked: Asked, span: Span, name: string) => {
  const found = findList(name)
  if (!found) throw new Error(`there is no list ${name}`)
  const where = { ...asked, currency: asked.business.currency }
  const read = await found.read(where, asRead(span), 'all')
  return { found, read, where }
}

/** A table as CSV, and what it holds beside it. */
function* described<Row>(...table: Parameters<typeof asCsv<Row>>): Generator<ZipEntry> {
  const [list] = table
  yield [`${list.name}.csv`, asCsv(...table)]
  yield [csvwName(list.name), JSON.stringify(asCsvw(...table), null, 2)]
}

async function* entriesOf(asked: Asked, span: Span): AsyncGenerator<ZipEntry> {
  const sheets = []
  for (const name of REPORTS) {
    const { found, read, where } = await readTable(asked, span, name)
    yield* described(found.list, read, where)
    if (read.rows.length <= MOST_ON_PAPER)
      sheets.push(listOnPaper(found.list, read, where, await saidOf(found.list, asRead(span), where)))
  }
  const [first, ...more] = sheets
  if (first) yield ['reports.pdf', await drawElsewhere({ as: 'lists', lists: [first, ...more] })]
  // Books are long: each is read and written on another thread.
  for (const list of TABLES) {
    const wish = { list, search: `?${new URLSearchParams({ ...asRead(span) }).toString()}`, today: asked.today }
    const csv = await makeListElsewhere(asked.db, { ...wish, as: 'csv', rows: 'all' })
    const beside = await makeListFile(asked.db, { ...wish, as: 'csv-metadata.json', rows: 1 })
    for (const made of [csv, beside]) if ('body' in made) yield [made.name, made.body]
  }
  for (const { id } of await listInvoicesOfSpan(asked.db, span)) {
    const made = await makeNamedPaper(asked, 'invoice', id)
    if (made) yield [`documents/${plain(made.name)}`, made.body]
  }
  for (const { id, folder, name } of await listFilesOfSpan(asked.db, span)) {
    const kept = await findFile(asked.db, id)
    if (kept) yield [`${folder.split('/').map(plain).join('/')}/${id} ${plain(name)}`, kept.body]
  }
}

/** A period for the accountant: reports and books as CSV, the reports as one PDF, and the documents behind them by their numbers. */
export const accountantFile = (asked: Asked, span: Span): Response =>
  new Response(zipStream(entriesOf(asked, span)), {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': `attachment; filename="books-${span.from}-${span.to}.zip"`,
      'cache-control': 'no-store',
    },
  })
