'use client'
import { DrawnBar } from '../DrawnBar'
import { To } from '../To'
import type { Packed } from '../pack'
import { useDrawnToRead } from '../useDrawn'
import { useUnpacked } from '../useUnpacked'
import type { DrawnBox, DrawnCell, DrawnRow } from './drawnRow'
import { TONE } from './tone'

interface Props {
  /** What each column is called, and what its cells look like. */
  readonly columns: readonly { readonly head: string; readonly className: string }[]
  /** Which column opens the row. */
  readonly opens: number
  /** The form that boxes before the rows belong to. */
  readonly form?: string
  readonly rows: Packed<readonly DrawnRow[]>
}

/** The rows of a list, drawn from their words. */
export const ListBody = ({ columns, opens, form, rows }: Props) => {
  const drawnRows = useDrawnToRead(useUnpacked(rows))
  return (
    <tbody>
      {drawnRows.map(({ box, cells }, i) => (
        <tr key={i} className="row">
          {form !== undefined && <td className="before relative z-10">{box && <Box form={form} {...box} />}</td>}
          {columns.map(({ head, className }, c) => (
            <td key={c} data-head={head} className={className}>
              {drawn(cells[c], c === opens)}
            </td>
          ))}
        </tr>
      ))}
    </tbody>
  )
}

const Box = ({ form, value, label, withAll }: DrawnBox & { readonly form: string }) => (
  <input type="checkbox" form={form} value={value} data-with-all={withAll} aria-label={label} />
)

const drawn = (cell: DrawnCell | undefined, opens: boolean) => {
  if (cell === undefined || typeof cell === 'string') return cell
  if ('stamp' in cell) return <span className={`stamp ${cell.colour}`}>{cell.stamp}</span>
  if ('bar' in cell)
    return (
      <div className={cell.width}>
        <DrawnBar {...cell.bar} />
      </div>
    )
  const { text, tone, href, note } = cell
  const said = tone ? <span className={TONE[tone]}>{text}</span> : text
  return (
    <>
      {href ? (
        <To
          data-row={opens ? '' : undefined}
          className={opens ? 'cover' : 'relative z-10 hover:underline sm:-mx-2 sm:px-2'}
          href={href}
        >
          {said}
        </To>
      ) : (
        said
      )}
      {note && <span className={`sub ${tone === 'late' ? 'text-oxide-700' : ''}`}> {note}</span>}
    </>
  )
}
