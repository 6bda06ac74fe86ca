import { To } from '@/ui/To'
import { withQuery } from '../address'

interface Props {
  readonly path: string
  readonly query: Readonly<Record<string, string>>
  readonly page: number
  readonly more: boolean
}

/** The way to the pages before and after. */
export const ListPages = ({ path, query, page, more }: Props) =>
  page === 1 && !more ? null : (
    <>
      <p className="sub hidden pt-3 print:block">
        Page {page}
        {more && '; more follow'}. Export PDF has all of them.
      </p>
      <nav aria-label="Pages" className="no-print flex items-center gap-3 pt-3">
        {page > 1 && (
          <To className="btn" href={withQuery(path, query, { page: page === 2 ? undefined : String(page - 1) })}>
            Previous page
          </To>
        )}
        <span className="sub">Page {page}</span>
        {more && (
          <To className="btn" rel="next" href={withQuery(path, query, { page: String(page + 1) })}>
            Next page
          </To>
        )}
      </nav>
    </>
  )
