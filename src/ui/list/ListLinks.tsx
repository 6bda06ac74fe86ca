import { To } from '@/ui/To'
import { withQuery } from '../address'

interface Props {
  readonly label: string
  readonly name: string
  readonly choices: readonly { readonly value: string; readonly name: string }[]
  readonly path: string
  readonly query: Readonly<Record<string, string>>
  /** How many there are of each; choices without any are left out. */
  readonly counts?: Readonly<Record<string, number>>
  /** What holds where the address says nothing: one of them always does, and none leads out. */
  readonly usual?: string
}

/** One of a few, as links; the one chosen leads back out, and so does `all` where there are more than two. */
export const ListLinks = ({ label, name, choices, path, query, counts, usual }: Props) => {
  const here = query[name] ?? usual
  const shown = choices.filter((c) => !counts || counts[c.value] || c.value === here)
  const link = (value: string | undefined, text: string, current: boolean) => (
    <To
      key={text}
      href={withQuery(path, query, { [name]: value, page: undefined })}
      aria-current={current ? 'page' : undefined}
      className="text-iron-700 aria-[current]:font-bold aria-[current]:text-rust-600"
    >
      {text}
      {value !== undefined && counts?.[value] ? (
        <span className="fig text-xs text-iron-500"> {counts[value]}</span>
      ) : null}
    </To>
  )
  return (
    <nav aria-label={label} className="no-print links">
      {choices.length > 2 &&
        !usual &&
        !choices.some((c) => c.value === 'all') &&
        link(undefined, 'All', here === undefined)}
      {shown.map((c) => link(here === c.value && choices.length <= 2 ? undefined : c.value, c.name, here === c.value))}
    </nav>
  )
}
