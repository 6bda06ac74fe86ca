'use client'
import { useState } from 'react'
import { lazily } from '../lazily'
import { Panel } from '../Panel'
import type { ReturnStart } from './DraftTaxReturn'

const DraftTaxReturn = lazily(() => import('./DraftTaxReturn').then((m) => m.DraftTaxReturn))

/** A button that opens the form of another return. */
export const NewTaxReturn = (start: ReturnStart) => {
  const [open, setOpen] = useState(false)
  return (
    <>
      <button className="btn" onClick={() => setOpen(true)}>
        New tax return
      </button>
      <Panel open={open} onClose={() => setOpen(false)} title="New tax return">
        <DraftTaxReturn {...start} />
      </Panel>
    </>
  )
}
