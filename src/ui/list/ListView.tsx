import type { About, Column } from '@/lists/column'
import type { Field, Fields } from '@/lists/field'
import type { List, Sort } from '@/lists/list'
import { sayNarrowed } from '@/lists/narrowed'
import type { Sums } from '@/lists/sum'
import { ChosenTag } from '../ChosenTag'
import { Empty } from '../Empty'
import { SearchBox } from '../SearchBox'
import { LazyFilters } from './LazyFilters'
import type { AskedField } from './ListFilters'
import { ListLinks } from './ListLinks'
import { ListPages } from './ListPages'
import { ListTable, type Boxes, type OwnCells } from './ListTable'

/** A list as a page has read it. */
export interface OpenList<Row> {
  readonly list: List<Row, Fields>
  readonly columns: readonly Column<Row>[]
  readonly rows: readonly Row[]
  readonly more: boolean
  readonly sums: Sums
  readonly count?: number
  readonly sort: Sort
  readonly page: number
  /** What of the address is about the list. */
  readonly query: Readonly<Record<string, string>>
}

interface Props<Row> {
  readonly open: OpenList<Row>
  readonly about: About
  readonly cells?: OwnCells<Row>
  readonly boxes?: Boxes<Row>
  readonly counts?: Readonly<Record<string, Readonly<Record<string, number>>>>
  readonly customer?: string | null
  readonly foot?: string
  readonly className?: string
}

const ASKED: readonly AskedField['as'][] = ['choice', 'day', 'amount', 'customer']

const askedFields = (fields: Fields): readonly AskedField[] =>
  Object.entries(fields).flatMap(([name, { as: kind, label, placeholder, choices }]) =>
    ASKED.filter((as) => as === kind).map((as) => ({ name, as, label, placeholder, choices })),
  )

/** What a list can be narrowed by: words, links, fields. */
export const ListNarrow = <Row,>({ open, about, counts, customer }: Props<Row>) => {
  const { list, query } = open
  const of = (as: Field<unknown>['as']) => Object.entries(list.fields).filter(([, f]) => f.as === as)
  const asked = askedFields(list.fields)
  const said = sayNarrowed(list, query, about.today, { customer })
  return (
    <>
      {said && <p className="sub mb-3 hidden print:block">{said}</p>}
      <div className="no-print mb-3 grid gap-2">
        <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
          {of('search').map(([name, f]) => (
            <SearchBox key={name} label={f.label} placeholder={f.placeholder ?? ''} />
          ))}
          {of('links').map(([name, f]) => (
            <ListLinks
              key={name}
              name={name}
              label={f.label}
              choices={f.choices ?? []}
              usual={f.otherwise}
              path={list.path}
              query={query}
              counts={counts?.[name]}
            />
          ))}
          {'tag' in list.fields && <ChosenTag tag={query.tag} path={list.path} query={query} />}
        </div>
        {asked.length > 0 && (
          <LazyFilters
            path={list.path}
            query={query}
            fields={asked}
            today={about.today}
            currency={about.currency}
            customer={customer}
          />
        )}
      </div>
    </>
  )
}

/** The rows of a list, or what is said where there are none, and the way to its other pages. */
export const ListRows = <Row,>({ open, about, cells, boxes, foot, className }: Props<Row>) => {
  const { list, query } = open
  const narrowed = Object.keys(query).some((name) => name !== 'sort' && name !== 'view') || open.page > 1
  if (open.rows.length === 0) return <Empty>{narrowed ? list.nothingFits : list.empty}</Empty>
  return (
    <>
      <ListTable
        columns={open.columns}
        rows={open.rows}
        about={about}
        path={list.path}
        query={query}
        sort={open.sort}
        sums={open.sums}
        foot={foot ?? list.foot?.says}
        cells={cells}
        boxes={boxes}
        className={className}
      />
      <ListPages path={list.path} query={query} page={open.page} more={open.more} />
    </>
  )
}

/** A list with all that narrows it. */
export const ListView = <Row,>(props: Props<Row>) => (
  <>
    <ListNarrow {...props} />
    <ListRows {...props} />
  </>
)
