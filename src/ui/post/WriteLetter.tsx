'use client'
import { useState } from 'react'
import type { PaperKind } from '@/core/formats'
import { LetterPanel } from './LetterPanel'

interface Props {
  readonly paper: PaperKind
  readonly paperId: number
  /** On the button. */
  readonly label?: string
}

/** Writes to the customer about a document, in a panel. */
export const WriteLetter = ({ label = 'Email', ...about }: Props) => {
  const [open, setOpen] = useState(false)
  return (
    <>
      <button type="button" className="btn" onClick={() => setOpen(true)}>
        {label}
      </button>
      <LetterPanel {...about} open={open} onClose={() => setOpen(false)} />
    </>
  )
}
