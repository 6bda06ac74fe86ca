import { createParser, parseAsInteger } from 'nuqs/server'
import type { Day } from '@/core/day'
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

/** A part of a list on paper: under its title its rows, then what they come to. */
export interface PaperPart<Row> {
  readonly title: string
  readonly rows: readonly Row[]
  readonly total: Row | null
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
  /** The days it is of, also where its address says none. */
  days?(filter: FilterOf<F>, today: Day): Partial<Record<'from' | 'to' | 'asOf', Day>>
  /** How it opens where it is narrowed to something else matters first: what is short. */
  narrowedOpensBy?(filter: FilterOf<F>): Sort | undefined
  /** How it stands on paper, where it is read there part by part. */
  parts?(rows: readonly Row[]): readonly PaperPart<Row>[]
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

/** What an address narrows a list to. */
export const readFilter = <F extends Fields>(
  fields: F,
  query: Readonly<Record<string, string | undefined>>,
): FilterOf<F> =>
  Object.fromEntries(Object.entries(fields).map(([name, field]) => [name, field.read(query[name])])) as FilterOf<F>

/** Reads an address: what is not understood is left out, never refused. */
export const readAsked = <Row, F extends Fields>(
  list: List<Row, F>,
  query: Readonly<Record<string, string | undefined>>,
): Asked<FilterOf<F>> => {
  const page = parseAsInteger.parseServerSide(query.page) ?? 1
  const filter = readFilter(list.fields, query)
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
