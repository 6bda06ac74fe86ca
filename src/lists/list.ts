import { createParser, parseAsInteger } from 'nuqs/server'
import type { Column } from './column'
import type { Fields, FilterOf } from './field'

/** By which column, and whether the largest or latest comes first. */
export interface Sort {
  readonly by: string
  readonly down: boolean
}

/** What an address asks of a list. */
export interface Asked<F> {
  readonly filter: F
  readonly sort: Sort
  /** From 1 on. */
  readonly page: number
}

/** A list: what it is called, what narrows it, its columns, and how it opens. */
export interface List<Row, F extends Fields = Fields> {
  /** In the address of its files: `/api/v1/export/invoices.csv`. */
  readonly name: string
  readonly title: string
  readonly path: string
  readonly fields: F
  readonly columns: readonly Column<Row>[]
  readonly opensBy: Sort
  /** How it opens where it is narrowed to something else matters first: what is short. */
  narrowedOpensBy?(filter: FilterOf<F>): Sort | undefined
  /** What is said where there is nothing at all, and where nothing fits. */
  readonly empty: string
  readonly nothingFits: string
  /** What stands beside the sums; and whether they belong into files, as those of a report do. */
  readonly foot?: { readonly says: string; readonly inFile: boolean }
}

export const defineList =
  <Row>() =>
  <F extends Fields>(list: List<Row, F>): List<Row, F> =>
    list

/** `due` is upwards, `-due` downwards. */
const parseAsSort = (keys: readonly string[]) =>
  createParser<Sort>({
    parse: (text) => {
      const by = text.replace(/^-/, '')
      return keys.includes(by) ? { by, down: text.startsWith('-') } : null
    },
    serialize: (sort) => (sort.down ? `-${sort.by}` : sort.by),
  })

export const saySort = (sort: Sort): string => (sort.down ? `-${sort.by}` : sort.by)

/** Reads an address: what is not understood is left out, never refused. */
export const readAsked = <Row, F extends Fields>(
  list: List<Row, F>,
  query: Readonly<Record<string, string | undefined>>,
): Asked<FilterOf<F>> => {
  const page = parseAsInteger.parseServerSide(query.page) ?? 1
  const filter = Object.fromEntries(
    Object.entries(list.fields).map(([name, field]) => [name, field.read(query[name])]),
  ) as FilterOf<F>
  const asked = parseAsSort(list.columns.map((c) => c.key)).parseServerSide(query.sort)
  return {
    filter,
    sort: asked ?? list.narrowedOpensBy?.(filter) ?? list.opensBy,
    page: page >= 1 && page <= 100_000 ? page : 1,
  }
}

/** What of an address is about this list: its filter and its order, without the page. */
export const keptQuery = <Row, F extends Fields>(
  list: List<Row, F>,
  query: Readonly<Record<string, string | undefined>>,
): Record<string, string> =>
  Object.fromEntries(
    Object.entries(query).flatMap(([name, value]) =>
      value !== undefined && value !== '' && (name === 'sort' || name in list.fields) ? [[name, value]] : [],
    ),
  )
