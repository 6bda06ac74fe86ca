import { To } from '@/ui/To'
import { withQuery } from '../address'

interface Props {
  readonly path: string
  readonly query: Readonly<Record<string, string>>
  readonly page: number
  readonly more: boolean
}

/** The way to the pages before and after; nothing where there is one alone. */
export const PageLinks = ({ path, query, page, more }: Props) =>
  page === 1 && !more ? null : (
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
  )

/** The same under a list of the owner, which on paper says where all of it is. */
export const ListPages = (p: Props) => (
  <>
    {(p.page > 1 || p.more) && (
      <p className="sub hidden pt-3 print:block">
        Page {p.page}
        {p.more && '; more follow'}. Export PDF has all of them.
      </p>
    )}
    <PageLinks {...p} />
  </>
)
