import { To } from '@/ui/To'
import { withQuery } from './address'

interface Props {
  readonly tag: string | undefined
  readonly path: string
  readonly query: Readonly<Record<string, string>>
}

/** The tag a list is narrowed to, and the way out of it. */
export const ChosenTag = ({ tag, path, query }: Props) =>
  tag ? (
    <To className="stamp text-rust-600" href={withQuery(path, query, { tag: undefined, page: undefined })}>
      {tag} <span aria-hidden>×</span>
      <span className="sr-only">, show all</span>
    </To>
  ) : null
