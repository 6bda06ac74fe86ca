import type { Money } from '@/core/money'
import { Figure } from './Figure'

interface Props {
  readonly name: string
  readonly of: Money
  /** How many columns its name goes over. */
  readonly span: number
  /** The last of them, under a double line. */
  readonly last?: boolean
  /** Columns that stay empty behind it. */
  readonly after?: number
}

/** What the rows above come to: parts of a total in quiet, the total itself under its line. */
export const TotalRow = ({ name, of, span, last = false, after = 0 }: Props) => (
  <tr className={last ? 'total' : ''}>
    <td colSpan={span} className={last ? 'r' : 'r border-0 text-iron-500'}>
      {name}
    </td>
    <td className={last ? 'fig' : 'r border-0'}>
      <Figure of={of} />
    </td>
    {after > 0 && <td colSpan={after} className="border-0" />}
  </tr>
)
