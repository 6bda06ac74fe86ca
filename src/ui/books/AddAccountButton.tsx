'use client'
import { useState } from 'react'
import { Panel } from '../Panel'
import { lazily } from '../lazily'

const AddAccount = lazily(() => import('./AccountForms').then((m) => m.AddAccount))

/** A button that opens the form of another account. */
export const AddAccountButton = () => {
  const [open, setOpen] = useState(false)
  return (
    <>
      <button className="btn" onClick={() => setOpen(true)}>
        New account
      </button>
      <Panel open={open} onClose={() => setOpen(false)} title="New account">
        <AddAccount onDone={() => setOpen(false)} />
      </Panel>
    </>
  )
}
