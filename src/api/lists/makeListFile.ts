import type { Day } from '@/core/day'
import type { Db } from '@/data/connect'
import { findBusiness } from '@/data/queries/business'
import { present } from '@/core/present'
import { readNames } from '@/data/queries/names'
import { readFilter } from '@/lists/list'
import { sayNarrowed } from '@/lists/narrowed'
import type { Where } from '@/model/where'
import { findList } from './index'
import { asCsvw, csvwName } from './csvw'
import { asCsv, asJson, asPdf, asXlsx, MOST_ON_PAPER } from './files'
import type { AnyReader, Size } from './reader'

const TYPES = ['csv', 'csv-metadata.json', 'xlsx', 'pdf', 'json'] as const

/** Which list as which file, plain enough to be sent to another thread. */
export interface ListWish {
  readonly list: string
  readonly as: (typeof TYPES)[number]
  /** What its address says behind the question mark. */
  readonly search: string
  readonly rows: Size
  readonly today: Day
}

export interface ListFile {
  /** A whole buffer of its own: it may change hands. */
  readonly body: Uint8Array<ArrayBuffer>
  readonly type: string
  readonly name: string
  readonly inline?: boolean
  /** What is said of it beside it. */
  readonly link?: string
}

/** `invoices.csv`, `.xlsx`, `.pdf` or `.json`, narrowed and sorted as its address says; null where there is no such list. */
export const readListWish = (path: string, url: URL, today: Day): ListWish | null => {
  const [, list = '', ending] = /^([a-z-]+)\.(csv-metadata\.json|csv|xlsx|pdf|json)$/.exec(path) ?? []
  const as = TYPES.find((t) => t === ending)
  if (!as || !findList(list)) return null
  const limit = Number(url.searchParams.get('limit'))
  const inPages = as === 'json' && Number.isInteger(limit) && limit >= 1 && limit <= 500
  const rows = as === 'csv-metadata.json' ? 1 : inPages ? limit : 'all'
  return { list, as, search: url.search, rows, today }
}

const CSVW = 'application/csvm+json'
const SHEET = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'

/** What an address narrows a list to, in words for the head of a sheet. */
export const saidOf = async (list: AnyReader['list'], query: Readonly<Record<string, string>>, { db, today }: Where) =>
  sayNarrowed(list, query, today, await readNames(db, readFilter(list.fields, query)))

/** Reads a list and writes it as a file, or says how many rows are too many for paper. */
export const makeListFile = async (db: Db, wish: ListWish): Promise<ListFile | { readonly tooLong: number }> => {
  const { list, read } = present(findList(wish.list))
  const business = present(await findBusiness(db))
  const where = { db, business, today: wish.today, currency: business.currency }
  const query = Object.fromEntries(new URLSearchParams(wish.search))
  const found = await read(where, query, wish.rows)
  const text = (said: string, type: string, name: string) => ({ body: new TextEncoder().encode(said), type, name })
  switch (wish.as) {
    case 'csv-metadata.json':
      return text(JSON.stringify(asCsvw(list, found, where), null, 2), CSVW, csvwName(list.name))
    case 'csv':
      return {
        ...text(asCsv(list, found, where), 'text/csv; charset=utf-8', `${list.name}.csv`),
        link: `<${csvwName(list.name)}${wish.search}>; rel="describedby"; type="${CSVW}"`,
      }
    case 'xlsx':
      return { body: new Uint8Array(await asXlsx(list, found, where)), type: SHEET, name: `${list.name}.xlsx` }
    case 'json':
      return text(JSON.stringify(asJson(list, found, where)), 'application/json', `${list.name}.json`)
    case 'pdf':
      return found.rows.length > MOST_ON_PAPER
        ? { tooLong: found.rows.length }
        : {
            body: new Uint8Array(await asPdf(list, found, where, await saidOf(list, query, where))),
            type: 'application/pdf',
            name: `${list.name}.pdf`,
            inline: true,
          }
  }
}
