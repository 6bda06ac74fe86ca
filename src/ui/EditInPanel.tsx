'use client'
import { useState, type ReactNode } from 'react'
import { Panel } from './Panel'

interface Props {
  /** What is edited, by its name. */
  readonly name: string
  /** The form; what closes it is given to it. */
  readonly children: (close: () => void) => ReactNode
}

/** A way to edit one row of a small table: its form opens beside it. */
export const EditInPanel = ({ name, children }: Props) => {
  const [open, setOpen] = useState(false)
  const close = () => setOpen(false)
  return (
    <>
      <button type="button" className="underline" aria-label={`Edit ${name}`} onClick={() => setOpen(true)}>
        Edit
      </button>
      <Panel open={open} onClose={close} title={`Edit ${name}`}>
        {children(close)}
      </Panel>
    </>
  )
}
