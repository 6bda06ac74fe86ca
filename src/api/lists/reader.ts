import type { Where } from '@/model/where'
import type { Column } from '@/lists/column'
import type { Fields, FilterOf } from '@/lists/field'
import { readAsked, type Asked, type List, type Sort } from '@/lists/list'
import { sortRows } from '@/lists/sort'
import { sumColumns, type Sums } from '@/lists/sum'

/** How much of a list is read: a page of so many, or all of it. */
export type Size = number | 'all'

/** A list as it was read: its rows, whether more follow, and the sums of all that fit. */
export interface Read<Row> {
  readonly columns: readonly Column<Row>[]
  readonly rows: readonly Row[]
  readonly more: boolean
  readonly sums: Sums
  /** How many fit altogether, where it was counted. */
  readonly count?: number
}

/** What reads a list; `Facts` is what its rows were taken from, for a page that shows more of it. */
export interface Reader<Row = never, F extends Fields = Fields, Facts extends object = object> {
  readonly list: List<Row, F>
  readonly read: (
    where: Where,
    query: Readonly<Record<string, string | undefined>>,
    size: Size,
  ) => Promise<Read<Row> & Facts>
}

/** A list, whatever its rows are. */
export type AnyReader = Reader<unknown, Fields>

/** Ties a list to what reads it. */
export const reader = <Row, F extends Fields, Facts extends object = object>(
  list: List<Row, F>,
  run: (where: Where, asked: Asked<FilterOf<F>>, size: Size) => Promise<Read<Row> & Facts>,
): Reader<Row, F, Facts> => ({ list, read: (where, query, size) => run(where, readAsked(list, query), size) })

type Given<F> = { readonly [K in keyof F]?: NonNullable<F[K]> }

/** A filter as queries take it: only what was asked for. */
export const given = <F extends object>(filter: F): Given<F> =>
  Object.fromEntries(Object.entries(filter).filter(([, value]) => value !== null)) as Given<F>

/** A page out of all the rows, sorted here. */
export const pageOfAll = <Row>(
  list: { readonly columns: readonly Column<Row>[]; readonly opensBy: Sort },
  rows: readonly Row[],
  asked: Asked<unknown>,
  size: Size,
  where: Where,
): Read<Row> => {
  const sorted = sortRows(list.columns, rows, asked.sort, where)
  const from = size === 'all' ? 0 : (asked.page - 1) * size
  const to = size === 'all' ? sorted.length : from + size
  return {
    columns: list.columns,
    rows: sorted.slice(from, to),
    more: to < sorted.length,
    sums: sumColumns(list.columns, rows, where),
    count: rows.length,
  }
}

/** What to ask a query for: one row more than the page, to know whether more follow. */
export const partOf = (asked: Asked<unknown>, size: Size, opensBy: Sort) => ({
  order: asked.sort.by === opensBy.by && asked.sort.down === opensBy.down ? undefined : asked.sort,
  ...(size === 'all' ? {} : { limit: size + 1, offset: (asked.page - 1) * size }),
})

/**
 * A page by a query that has the order in which the list opens, with what all of it comes to; in any other order all rows are
 * read and sorted here.
 */
export const pageInItsOrder = async <Row>(
  list: { readonly columns: readonly Column<Row>[]; readonly opensBy: Sort },
  asked: Asked<unknown>,
  size: Size,
  where: Where,
  read: (part: { readonly limit?: number; readonly offset?: number }) => Promise<readonly Row[]>,
  total?: () => Promise<Required<Pick<Read<Row>, 'sums' | 'count'>>>,
): Promise<Read<Row>> => {
  const { order, ...part } = partOf(asked, size, list.opensBy)
  if (order || size === 'all') return pageOfAll(list, await read({}), asked, size, where)
  const [rows, rest] = await Promise.all([read(part), total?.()])
  return pageOfQuery(list.columns, rows, size, rest)
}

/** A page out of what a query gave. */
export const pageOfQuery = <Row>(
  columns: readonly Column<Row>[],
  rows: readonly Row[],
  size: Size,
  rest: Pick<Read<Row>, 'sums' | 'count'> = { sums: {} },
): Read<Row> => ({
  ...(size === 'all' ? { count: rows.length } : {}),
  columns,
  rows: size === 'all' ? rows : rows.slice(0, size),
  more: size !== 'all' && rows.length > size,
  ...rest,
})
