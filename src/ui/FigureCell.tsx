import type { ReactNode } from 'react'

interface Props {
  /** What its column is called: on a phone, where the row stands in two lines, the cell says it itself. */
  readonly head: string
  readonly className?: string
  readonly children: ReactNode
}

/** A figure of a small table (`ledger list small`) that stands in the second line of its row on a phone. */
export const FigureCell = ({ head, className = '', children }: Props) => (
  <td className={`fig rest ${className}`} data-head={head}>
    {children}
  </td>
)
