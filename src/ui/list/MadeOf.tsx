import type { About } from '@/lists/column'
import { To } from '../To'
import { ListExport } from './ListExport'
import { ListRows, type OpenList } from './ListView'

interface Props<Row> {
  /** The figure that was opened. */
  readonly of: string
  /** The way back to all the figures beside it. */
  readonly all: { readonly href: string; readonly says: string }
  readonly open: OpenList<Row>
  readonly about: About
}

/** What a figure of a report is made of, row by row, with its sum and its file. */
export const MadeOf = <Row,>({ of, all, open, about }: Props<Row>) => (
  <section>
    <div className="mb-2 flex flex-wrap items-baseline justify-between gap-x-5 gap-y-1">
      <h2>What it is made of: {of}</h2>
      <To className="underline" href={all.href}>
        {all.says}
      </To>
    </div>
    <ListRows open={open} about={about} />
    <div className="no-print mt-5">
      <ListExport name={open.list.name} query={open.query} />
    </div>
  </section>
)
