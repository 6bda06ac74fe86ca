import { To } from '@/ui/To'
import { Fragment } from 'react'
import { shownSum } from '@/lists/cell'
import { isFigure, onScreen, type About, type Column } from '@/lists/column'
import { saySort, type Sort } from '@/lists/list'
import type { Sums } from '@/lists/sum'
import { withQuery } from '../address'
import { pack } from '../pack'
import { drawCell, wordsOf, type DrawnBox, type DrawnCell } from './drawnRow'
import { ListBody } from './ListBody'

/** Cells that a page draws otherwise than their column says. */
export type OwnCells<Row> = Readonly<Record<string, (row: Row) => DrawnCell | undefined>>

/** Boxes to choose rows by: what their column is called, and the form they belong to. */
export interface Boxes<Row> {
  readonly head: string
  readonly form: string
  readonly of: (row: Row) => DrawnBox
}

interface Props<Row> {
  readonly columns: readonly Column<Row>[]
  readonly rows: readonly Row[]
  readonly about: About
  /** Where its heads lead: the page, what its address says, and how it is sorted now. */
  readonly path: string
  readonly query: Readonly<Record<string, string>>
  readonly sort: Sort
  readonly sums?: Sums
  readonly foot?: string
  readonly cells?: OwnCells<Row>
  readonly boxes?: Boxes<Row>
  readonly className?: string
}

/** A list as a table: heads that sort, rows that open, sums below; on a phone each row stands in two lines. */
export const ListTable = <Row,>(props: Props<Row>) => {
  const columns = onScreen(props.columns)
  const first = columns.find((c) => c.href) ?? columns[0]
  const figures = columns.filter(
    (c) => isFigure(c) && c.as !== 'count' && c.as !== 'number' && !c.notOnPhone && c !== first,
  )
  const main = figures.find((c) => c.tone === 'strong') ?? figures[0]
  const many = columns.length > 9
  // Where there are many columns words break rather than being cut off; so they do on a phone, where nobody can point at them to read the rest.
  const words = many ? 'wrap-break-word max-sm:wrap-anywhere' : 'sm:truncate'
  const placeOf = (c: Column<Row>): string =>
    c === first ? 'first' : c === main ? 'main' : c.notOnPhone ? 'not-on-phone' : 'rest'
  const rows = props.rows.map((row) => ({
    box: props.boxes?.of(row),
    cells: columns.map((c) => props.cells?.[c.key]?.(row) ?? drawCell(c, row, props.about)),
  }))
  const sumOf = (c: Column<Row>): string => (props.foot && c.sum ? shownSum(props.sums?.[c.key]) : '')
  return (
    <div className="overflow-x-auto">
      <table className={`ledger list ${many ? 'many' : ''} ${props.className ?? ''}`}>
        <thead>
          <tr>
            {props.boxes && (
              <th scope="col">
                <span className="sr-only">{props.boxes.head}</span>
              </th>
            )}
            {columns.map((c, i) => (
              <Head
                key={c.key}
                column={c}
                widest={isFigure(c) ? longest([sumOf(c), ...rows.map(({ cells }) => wordsOf(cells[i]))]) : undefined}
                {...props}
              />
            ))}
          </tr>
        </thead>
        <ListBody
          columns={columns.map((c) => ({ head: c.head, className: `${placeOf(c)} ${isFigure(c) ? 'fig' : words}` }))}
          opens={columns.findIndex((c) => c === first)}
          form={props.boxes?.form}
          rows={pack(rows)}
        />
        {props.foot && props.rows.length > 0 && (
          <Foot columns={columns} sums={props.sums ?? {}} says={props.foot} boxes={props.boxes !== undefined} />
        )}
      </table>
    </div>
  )
}

const longest = (texts: readonly string[]): string =>
  texts.reduce((widest, text) => (text.length > widest.length ? text : widest), '')

const Head = <Row,>({
  column,
  widest,
  path,
  query,
  sort,
}: Pick<Props<Row>, 'path' | 'query' | 'sort'> & { readonly column: Column<Row>; readonly widest?: string }) => {
  const here = sort.by === column.key
  const down = here ? !sort.down : isFigure(column) || column.as === 'day'
  return (
    <th
      scope="col"
      className={isFigure(column) ? 'r' : undefined}
      data-widest={widest}
      aria-sort={here ? (sort.down ? 'descending' : 'ascending') : undefined}
    >
      <To stay href={withQuery(path, query, { sort: saySort({ by: column.key, down }), page: undefined })}>
        {column.head}
        {here && <span aria-hidden> {sort.down ? '↓' : '↑'}</span>}
      </To>
    </th>
  )
}

const Foot = <Row,>({
  columns,
  sums,
  says,
  boxes,
}: {
  readonly columns: readonly Column<Row>[]
  readonly sums: Sums
  readonly says: string
  readonly boxes: boolean
}) => {
  // The words stand in all the cells up to the first sum.
  const from = columns.findIndex((c) => c.sum && sums[c.key] !== undefined)
  const words = (from < 0 ? columns.length : from) + (boxes ? 1 : 0)
  return (
    <tbody>
      <tr className="total">
        <td colSpan={words} className="r says">
          {from < 0 && columns.some((c) => c.sum) ? 'Too many to add up. Type another word.' : says}
        </td>
        {columns.slice(from < 0 ? columns.length : from).map((c) => (
          <Fragment key={c.key}>
            {c.sum && sums[c.key] !== undefined ? (
              <td data-head={c.head} className="fig">
                {shownSum(sums[c.key])}
              </td>
            ) : (
              <td />
            )}
          </Fragment>
        ))}
      </tr>
    </tbody>
  )
}
