import type { ReactNode } from 'react'

interface Props {
  readonly busy: boolean
  readonly onDo?: () => void
  readonly children: ReactNode
}

/** The main act of a panel, which Ctrl and Enter do too; without `onDo` it sends the form it stands in. */
export const MainButton = ({ busy, onDo, children }: Props) => (
  <button className="btn btn-do mt-4 w-full" data-primary disabled={busy} onClick={onDo}>
    {children} <kbd className="font-figure text-xs font-normal">Ctrl Enter</kbd>
  </button>
)
