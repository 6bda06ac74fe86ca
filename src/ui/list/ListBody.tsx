'use client'
import type { Tone } from '@/lists/column'
import { To } from '../To'
import type { DrawnCell, DrawnRow } from './drawnRow'

const TONE: Readonly<Record<Tone, string>> = {
  late: 'text-oxide-700',
  quiet: 'text-iron-500',
  held: 'text-brass-700',
  paid: 'text-patina-700',
  strong: 'font-bold',
  struck: 'text-iron-500 line-through',
}

interface Props {
  /** What each column is called, and what its cells look like. */
  readonly columns: readonly { readonly head: string; readonly className: string }[]
  /** Which column opens the row. */
  readonly opens: number
  readonly rows: readonly DrawnRow[]
}

/** The rows of a list, drawn from their words. */
export const ListBody = ({ columns, opens, rows }: Props) => (
  <tbody>
    {rows.map((row, i) => (
      <tr key={i} className="row">
        {row.before !== undefined && <td className="before relative z-10">{row.before}</td>}
        {columns.map(({ head, className }, c) => (
          <td key={c} data-head={head} className={className}>
            {drawn(row.cells[c], c === opens)}
          </td>
        ))}
      </tr>
    ))}
  </tbody>
)

const drawn = (cell: DrawnCell | undefined, opens: boolean) => {
  if (cell === undefined || typeof cell === 'string') return cell
  if ('own' in cell) return cell.own
  const { text, tone, href, note } = cell
  const said = tone && text !== '' ? <span className={TONE[tone]}>{text}</span> : text
  return (
    <>
      {href ? (
        <To data-row={opens ? '' : undefined} className={opens ? 'cover' : 'relative z-10 hover:underline'} href={href}>
          {said}
        </To>
      ) : (
        said
      )}
      {note && <span className={`sub ${tone === 'late' ? 'text-oxide-700' : ''}`}> {note}</span>}
    </>
  )
}
